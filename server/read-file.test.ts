import { describe, expect, it } from 'vitest'
import { parseJobFile, writeJobFile } from '@/core/format/job-file'
import { quillbackRoad } from '@/demo/quillback'
import { readJobFile } from './read-file'

describe('a large job file', () => {
  const text = writeJobFile({ record: quillbackRoad(), extra: { odd: [1] } })

  it('is read beside what answers requests, to the same, and refused with the same', async () => {
    expect(text.length).toBeGreaterThan(60_000)
    let turns = 0
    const timer = setInterval(() => turns++, 5)
    expect(await readJobFile(text)).toEqual(parseJobFile(text))
    clearInterval(timer)
    expect(turns).toBeGreaterThan(5)
    const broken = text.replace('"kind": "control"', '"kind": "nothing"')
    expect(await readJobFile(broken)).toEqual(parseJobFile(broken))
    expect((await readJobFile(broken)).ok).toBe(false)
  }, 60_000)

  it('is read one at a time, each to its own end', async () => {
    const named = (name: string) => text.replace(/"name": "Quillback Road 27"/, `"name": "${name}"`)
    const read = await Promise.all(['One', 'Two', 'Three'].map(name => readJobFile(named(name))))
    expect(read.map(each => each.ok && each.value.record.job.name)).toEqual(['One', 'Two', 'Three'])
  }, 60_000)
})
