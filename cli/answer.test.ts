import { execFileSync, spawnSync } from 'node:child_process'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { writeJobFile } from '@/core/format/job-file'
import { usualBox, switchLoop } from '@/demo/usual'
import { answer } from './answer'

const root = path.resolve(import.meta.dirname, '..')
const file = (given: Parameters<typeof usualBox>[0]) =>
  writeJobFile({ record: usualBox(given).record, extra: {} })
const ask = (verb: string, source: string | null, ...rest: string[]) =>
  answer(verb, 'a.json', source, rest, trade)

describe('every-room', () => {
  it('proves a plan: 0', () => {
    const { code, output } = ask('prove', file({ choice: 'switch-plain-15' }))
    expect(code).toBe(0)
    expect(output).toMatchObject({
      ok: true,
      boxes: [{ boxId: 'box', planned: { kind: 'proven', states: 2 } }],
    })
  })

  it('a plan that cannot be wired is a no: 1', () => {
    expect(ask('prove', file({ choice: 'dimmer-led-150-neutral', cables: switchLoop(true) })).code).toBe(1)
  })

  it('checks: 0 where something fits, 1 where nothing does', () => {
    expect(ask('check', file({})).code).toBe(0)
    expect(ask('check', file({ lamps: [] })).code).toBe(1)
  })

  it('validates, and lists defects raised by rule', () => {
    const { code, output } = ask('validate', file({ cables: switchLoop(true) }))
    expect(code).toBe(0)
    expect(JSON.stringify(output)).toContain('A white is used as hot and not marked')
  })

  it('one box alone, or none of that name', () => {
    expect(ask('prove', file({}), '--box', 'box').code).toBe(0)
    expect(ask('prove', file({}), '--box', 'attic').code).toBe(2)
  })

  it.each([
    ['an unknown verb', () => ask('paint', file({}))],
    ['a file that cannot be read', () => ask('prove', null)],
    ['a broken file', () => ask('validate', '{')],
  ])('%s is bad input: 2', (_, run) => {
    const { code, output } = run()
    expect(code).toBe(2)
    expect(output).toMatchObject({ ok: false })
  })

  it('runs as a program from any folder', () => {
    const program = path.join(root, 'every-room')
    const demo = path.join(root, 'demo/saltpan-quay-3.everyroom.json')
    const out = execFileSync(program, ['validate', demo], { cwd: '/', encoding: 'utf8' })
    expect(JSON.parse(out)).toMatchObject({ ok: true, counts: { boxes: 2 } })
    expect(spawnSync(program, [], { cwd: '/' }).status).toBe(2)
  })
})
