import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, fedAtTheSwitch, strand, switchLoop, usualBox, type UsualBox } from '@/demo/usual'
import type { CableAsFound } from '@/demo/builder'
import { lot } from '@/testing/model/lot'
import { boxView } from '../job/box-view'
import type { Role } from '../model/vocabulary'
import { checkPlace } from '.'

const reach = (given: UsualBox, deviceId = 'switch-plain-15') =>
  checkPlace(usualBox(given), 'box-1', trade)
    .find(({ device }) => device.id === deviceId)!
    .lines.filter(({ rule }) => rule === 'reach')
const without = (...roles: readonly Role[]): CableAsFound[] =>
  fedAtTheSwitch(true).map(cable => ({
    ...cable,
    strands: cable.strands.filter(({ role }) => !role || !roles.includes(role)),
  }))

describe('whether a hot and the conductor to the light reach the box', () => {
  it('both are named where they are', () => {
    expect(reach({})).toMatchObject([
      { verdict: 'fits', says: 'Here: hot, A black; conductor to Ceiling light, B black.' },
    ])
    expect(reach({ cables: switchLoop(true) })).toMatchObject([{ verdict: 'fits' }])
  })

  it('what is not there is told, with what brings it', () => {
    for (const [roles, says] of [
      [['line'], 'No hot in this box.'],
      [['switched-load'], 'No conductor to Ceiling light in this box.'],
      [['line', 'switched-load'], 'No hot and no conductor to Ceiling light in this box.'],
    ] as const) {
      const [found] = reach({ cables: without(...roles), proven: false })
      expect(found).toMatchObject({ verdict: 'does-not-fit', says })
      expect(found!.cures.map(({ id }) => id)).toEqual(['new-cable'])
    }
  })

  it('unknown is not absent: a conductor without a role, or a box not all recorded', () => {
    expect(reach({ cables: fedAtTheSwitch(false), proven: false })).toMatchObject([
      { verdict: 'not-known', settledBy: 'Identify the conductors of this box on Test.' },
    ])
    expect(reach({ cables: without('line'), proven: false, box: { recorded: false } })).toMatchObject([
      { verdict: 'not-known', settledBy: expect.stringContaining('all of it is recorded') },
    ])
    expect(reach({ cables: [], proven: false, box: { recorded: false } })).toMatchObject([
      { verdict: 'not-known', says: 'Nobody has recorded what is in the box.' },
    ])
  })

  it('a device without wires asks for neither', () => {
    const battery = trade.devices.find(
      ({ terminals, regions }) => terminals.length === 0 && regions.includes('north-america-120'),
    )!
    expect(reach({ cables: without('line', 'switched-load'), proven: false }, battery.id)).toEqual([])
  })

  it('as a plain reading of the roles says (500 boxes)', () => {
    const ROLES = [
      'line',
      'loop-feed',
      'onward-feed',
      'switched-load',
      'loop-return',
      'neutral',
      'spare',
      undefined,
    ] as const
    const met: Record<string, number> = {}
    for (let seed = 1; seed <= 500; seed++) {
      const draw = lot(seed)
      const roles = Array.from({ length: 1 + draw(5) }, () => ROLES[draw(ROLES.length)])
      const recorded = draw(3) > 0
      const strands = roles.map(role => strand('black', 'cap', role))
      const [found] = reach({
        proven: false,
        box: { recorded },
        cables: [{ name: 'A', far: 'elsewhere', entry: 'top', strands }],
      })
      const has = (...any: readonly string[]) => roles.some(role => role !== undefined && any.includes(role))
      const both = has('line', 'loop-feed', 'onward-feed') && has('switched-load', 'loop-return')
      const verdict = both ? 'fits' : roles.includes(undefined) || !recorded ? 'not-known' : 'does-not-fit'
      expect(found!.verdict, `seed ${seed}: ${roles.join()}`).toBe(verdict)
      met[verdict] = (met[verdict] ?? 0) + 1
    }
    for (const [verdict, count] of Object.entries(met)) expect(count, verdict).toBeGreaterThan(40)
    expect(Object.keys(met)).toHaveLength(3)
  })

  it('a load of which nobody said whose it is, beside several lights, is neither this one’s nor missing', () => {
    const job = bareJob('two-lights')
    job.box({
      id: 'box',
      room: 'room',
      name: 'By the door',
      breakers: ['7'],
      box: { gangs: 2 },
      controls: ['left', 'right'].map(group => ({ group, name: group, old: 'old-switch' })),
      cables: [
        {
          name: 'A',
          far: 'elsewhere',
          entry: 'top',
          strands: [strand('black', 'cap', 'line'), strand('red', 'cap', 'switched-load')],
        },
      ],
    })
    const lines = checkPlace(job.view('box'), 'box-1', trade)[0]!.lines
    expect(lines.find(({ rule }) => rule === 'reach')).toMatchObject({
      verdict: 'not-known',
      says: expect.stringContaining('whose A red is'),
    })
  })

  it('the load of another light is not that of this one', () => {
    const view = usualBox({})
    const other = { ...view.record.groups.light!, id: 'other', name: 'Other' }
    const ends = Object.fromEntries(
      Object.entries(view.record.ends).map(([id, end]) => [
        id,
        end.role === 'switched-load' ? { ...end, roleGroupId: 'other' } : end,
      ]),
    )
    const record = { ...view.record, ends, groups: { ...view.record.groups, other } }
    const lines = checkPlace(boxView(record, 'box')!, 'box-1', trade)[0]!.lines
    expect(lines.find(({ rule }) => rule === 'reach')).toMatchObject({ verdict: 'does-not-fit' })
  })
})
