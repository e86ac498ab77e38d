import { existsSync, readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { expect, it } from 'vitest'

const ROOT = path.resolve(import.meta.dirname, '..')

it('every file that the documentation names is there', () => {
  const pages = ['README.md', ...readdirSync(path.join(ROOT, 'docs')).map(name => `docs/${name}`)].filter(
    name => name.endsWith('.md'),
  )
  const named = pages.flatMap(page =>
    [
      ...readFileSync(path.join(ROOT, page), 'utf8').matchAll(
        /`([\w.[\]/-]+\/[\w.-]+\.(?:tsx?|sql|json|mjs|cjs))`/g,
      ),
    ].map(([, file]) => [page, file!] as const),
  )
  expect(named.length).toBeGreaterThan(20)
  expect(named.filter(([, file]) => !existsSync(path.join(ROOT, file)))).toEqual([])
})
