import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'

const INLINE = /<script(?![^>]*\ssrc=)[^>]*>([\s\S]*?)<\/script>/g

/**
 * The scripts that stand in the pages as they were made, each by its digest: what a policy lets run. Pages are made when the
 * application is, so no other script is ever in one.
 */
export function inlineScriptsIn(folder: string): string[] {
  const found = new Set<string>()
  for (const file of readdirSync(folder, { recursive: true, encoding: 'utf8' })) {
    if (!file.endsWith('.html')) continue
    for (const [, script] of readFileSync(path.join(folder, file), 'utf8').matchAll(INLINE))
      found.add(`'sha256-${createHash('sha256').update(script!).digest('base64')}'`)
  }
  return [...found].sort()
}
