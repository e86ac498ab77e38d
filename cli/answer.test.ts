import { execFileSync, spawnSync } from 'node:child_process'
import path from 'node:path'
import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { basisOf, type Question, type Spot } from '@/core/identify'
import { writeJobFile } from '@/core/format/job-file'
import type { JobRecord } from '@/core/model/record'
import { usualBox, switchLoop } from '@/demo/usual'
import { chainOf } from '@/testing/route/chain'
import { answer, converse } from './answer'

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

  it('routes: where everything goes, or what was tried and would do', () => {
    const { code, output } = ask('route', file({ choice: 'switch-plain-15' }))
    expect(code).toBe(0)
    expect(output).toMatchObject({
      ok: true,
      boxes: [{ boxId: 'box', devices: [{ placeId: 'box-1', modelId: 'switch-plain-15' }] }],
    })
    const no = ask('route', file({ choice: 'dimmer-led-150-neutral', cables: switchLoop(true) }))
    expect(no).toMatchObject({
      code: 1,
      output: { ok: false, boxes: [{ faults: [{ code: 'net-missing' }] }] },
    })
    expect(JSON.stringify(no.output)).toContain('A new cable')
    expect(ask('route', file({}))).toMatchObject({ code: 0, output: { boxes: [] } })
    expect(ask('route', 'no json').code).toBe(2)
  })

  it('a plan that does not prove is a no, with what breaks it', () => {
    const lamps = [{ kind: 'led', wattsEach: 1, count: 1, dimmable: 'yes', powerFactor: 0.9 }] as const
    const { code, output } = ask('route', file({ choice: 'smart-switch-two-wire', lamps }))
    expect(code).toBe(1)
    expect(output).toMatchObject({
      ok: false,
      boxes: [{ devices: [{ modelId: 'smart-switch-two-wire' }], proof: { kind: 'refuted' } }],
    })
    expect(JSON.stringify(output)).toContain('supply-alive')
  })

  it('plans: steps with what the power would do after each, and the day', () => {
    const { code, output } = ask('plan', file({ choice: 'switch-plain-15' }))
    expect(code).toBe(0)
    expect(output).toMatchObject({ ok: true, day: { walks: 2, boxByBox: { walks: 2 } } })
    const [box] = (output as { boxes: { steps: { key: string; ifOn: { kind: string }[] }[] }[] }).boxes
    expect(box!.steps.find(({ key }) => key === 'take-out:box-1')!.ifOn[0]).toMatchObject({
      kind: 'live-end',
    })
    expect(box!.steps.at(-1)!.key).toBe('power')
  })

  it('reads: what a meter shows, a no where a test must not be made, and every point there is', () => {
    const job = file({})
    const meter = ['--with', 'low-impedance-meter', '--at', 'end:box-a-black-1-end']
    const toWhite = ['--to', 'end:box-a-white-2-end']
    expect(ask('read', job, ...meter, ...toWhite)).toMatchObject({
      code: 0,
      output: { ok: true, shown: { kind: 'volts', phantom: false } },
    })
    expect(ask('read', job, ...meter, ...toWhite, '--off', 'breaker 7').output).toMatchObject({
      shown: { volts: 0 },
    })
    const live = ask(
      'read',
      job,
      '--with',
      'continuity',
      '--at',
      'box-1-old.upper',
      '--to',
      'box-1-old.lower',
    )
    expect(live).toMatchObject({ code: 1, output: { shown: { kind: 'refused' } } })
    const lit = ['--with', 'lamp', '--at', 'Ceiling light']
    expect(ask('read', job, ...lit).output).toMatchObject({ shown: { light: 'dark' } })
    expect(ask('read', job, ...lit, '--state', 'box-1-old.position=up').output).toMatchObject({
      shown: { light: 'full' },
    })
    const points = ask('read', job)
    expect(JSON.stringify(points.output)).toContain('A black')
  })

  it.each([
    ['an unknown instrument', ['--with', 'divining-rod', '--at', 'x'], '/with'],
    ['no point', ['--with', 'lamp'], '/at'],
    ['one lead only', ['--with', 'continuity', '--at', 'end:box-a-black-1-end'], '/to'],
    ['a point that is not there', ['--with', 'clamp', '--at', 'moon'], '/at'],
    ['a state that is none', ['--with', 'lamp', '--at', 'Ceiling light', '--state', 'up'], '/state/0'],
    ['an option that is none', ['--loudly'], '/options'],
  ])('read with %s is bad input: 2', (_, rest, path) => {
    const { code, output } = ask('read', file({}), ...rest)
    expect(code).toBe(2)
    expect(output).toMatchObject({ faults: [{ path }] })
  })

  it('checks: 0 where something fits, 1 where nothing does', () => {
    expect(ask('check', file({})).code).toBe(0)
    expect(ask('check', file({ lamps: [] })).code).toBe(1)
  })

  it('checks a light of several places by the sets for it', () => {
    const [first] = chainOf({ count: 2, choices: [null, null], fed: 0, lit: 1, neutrals: true, spares: 0 })
    const { record } = first!
    const asked = (given: JobRecord) => ask('check', writeJobFile({ record: given, extra: {} }))
    // Nobody has read its grounds.
    expect(asked(record).code).toBe(1)
    const grounds = Object.values(record.ends).filter(({ role }) => role === 'ground')
    const findings = grounds.map(({ id, boxId }) => ({
      id: `found-${id}`,
      endId: id,
      role: 'ground' as const,
      proof: 'proven' as const,
      basis: basisOf(record, boxId),
    }))
    const { code, output } = asked({
      ...record,
      findings: { ...record.findings, ...Object.fromEntries(findings.map(row => [row.id, row])) },
    })
    const { lights, places } = output as {
      lights: { groupId: string; placeIds: string[]; sets: { devices: string[]; verdict: string }[] }[]
      places: { devices: { device: string; verdict: string }[] }[]
    }
    expect(lights).toMatchObject([
      { groupId: 'light', placeIds: places.map((_, at) => expect.stringContaining(String(at))) },
    ])
    const pair = lights[0]!.sets.find(
      ({ devices }) => devices.join() === 'switch-two-place-15,switch-two-place-15',
    )
    expect(pair).toMatchObject({ verdict: 'fits' })
    expect(code).toBe(0)
    // By itself a switch for one place is no answer there.
    const bare = lights[0]!.sets.map(({ devices }) => devices.join())
    expect(bare).not.toContain('switch-plain-15,switch-plain-15')
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

  const waiting = () => writeJobFile({ record: answering(usualBox({ proven: false }).record), extra: {} })
  const answering = (record: JobRecord): JobRecord => ({
    ...record,
    groups: Object.fromEntries(
      Object.entries(record.groups).map(([id, group]) => [id, { ...group, behaves: 'answers' }]),
    ),
  })

  it('identifies: what each conductor may be, and the next reading; a no while something is open', () => {
    const { code, output } = ask('identify', waiting())
    expect(code).toBe(1)
    expect(output).toMatchObject({
      ok: false,
      wirings: [
        { boxIds: ['box'], kind: 'identified', decided: true, next: { question: { kind: 'volts' } } },
      ],
    })
  })

  it('identifies in a conversation, line by line, until every conductor is proven', () => {
    const begun = converse('a.json', waiting(), [], trade)
    if (!begun.ok) throw new Error('no conversation')
    const talking = begun.value
    expect(talking.line('{')).toMatchObject({ ok: false, faults: [{ code: 'not-json' }] })
    expect(talking.line('{"undo": true}')).toMatchObject({ ok: false, faults: [{ path: '/undo' }] })
    expect(talking.line('{"answer": "purple"}')).toMatchObject({ ok: false, faults: [{ path: '/answer' }] })
    // The wall: A black is the line, B black the load, the whites are neutral, the bare ones ground.
    const potential = { 'box-a-black-1-end': 'live', 'box-b-black-1-end': 'switched' } as Record<
      string,
      string
    >
    const standing = (spot: Spot) => (spot.kind === 'end' ? (potential[spot.end] ?? 'dead') : 'dead')
    const shownAt = ({ from, to, work, kind }: Question) => {
      const both = [standing(from), standing(to)].sort().join(' ')
      if (kind === 'continuity') return both === 'dead dead' ? 'sounds' : 'silent'
      if (work === null) return both === 'dead live' ? 'nominal' : 'dead'
      return both === 'dead dead' ? 'stays-dead' : both === 'dead live' ? 'stays-live' : 'changes'
    }
    for (let lines = 0; talking.state.next && lines < 20; lines++)
      expect(talking.line(JSON.stringify({ answer: shownAt(talking.state.next.question) }))).toMatchObject({
        ok: true,
      })
    const found = talking.state.conductors.map(
      ({ name, proof, candidates: [first] }) => `${name} ${first!.role} ${proof}`,
    )
    expect(found).toEqual([
      'A black line proven',
      'A white neutral proven',
      'A bare ground proven',
      'B black switched-load proven',
      'B white neutral proven',
      'B bare ground proven',
    ])
    const before = talking.state.conductors
    talking.line('{"undo": true}')
    expect(talking.state.conductors).not.toEqual(before)
  })

  it('takes back in a conversation what was skipped and what was answered, one line at a time', () => {
    const begun = converse('a.json', waiting(), [], trade)
    if (!begun.ok) throw new Error('no conversation')
    const talking = begun.value
    const states = [talking.state]
    for (const line of ['{"skip": true}', '{"answer": "dead"}', '{"skip": true}', '{"volts": 119}']) {
      // A watched meter has other answers: such a question is skipped.
      const done = talking.line(line) as { ok: boolean }
      if (!done.ok) talking.line('{"skip": true}')
      expect(talking.state).not.toEqual(states.at(-1))
      states.push(talking.state)
    }
    for (const before of states.slice(0, -1).reverse()) {
      expect(talking.line('{"undo": true}')).toEqual(before)
    }
    expect(talking.line('{"undo": true}')).toMatchObject({ ok: false, faults: [{ path: '/undo' }] })
  })

  it('runs as a program from any folder', () => {
    const program = path.join(root, 'every-room')
    const demo = path.join(root, 'demo/saltpan-quay-3.everyroom.json')
    const out = execFileSync(program, ['validate', demo], { cwd: '/', encoding: 'utf8' })
    expect(JSON.parse(out)).toMatchObject({ ok: true, counts: { boxes: 4 } })
    expect(spawnSync(program, [], { cwd: '/' }).status).toBe(2)
  })
})
