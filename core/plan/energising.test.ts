import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { bareJob, fedAtTheSwitch } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import { BLANK } from '../model/blank-rows'
import type { JobRecord } from '../model/record'
import { dayOf } from './day'
import { holdPoints } from './guard'

type Draw = ReturnType<typeof lot>

const BREAKERS = ['1', '3', '5', '7']

/** A house of boxes with a switch each, on one or two of four breakers; some were read, some are to be. */
function house(draw: Draw, count: number): JobRecord {
  const job = bareJob('lawful', { breakers: BREAKERS })
  for (let at = 0; at < count; at++) {
    const first = BREAKERS[draw(4)]!
    const breakers = draw(4) === 0 ? [...new Set([first, BREAKERS[draw(4)]!])] : [first]
    job.box({
      id: `box-${at}`,
      room: 'room',
      name: `Box ${at}`,
      breakers,
      box: { depthMillimetres: 80, volumeCubicInches: 30 },
      controls: [
        {
          group: `light-${at}`,
          name: `Light ${at}`,
          old: 'old-switch',
          lamps: [{ kind: 'led', wattsEach: 10, count: 2, dimmable: 'yes', powerFactor: 0.9 }],
          ...(draw(2) === 0 ? { choice: 'switch-plain-15' } : {}),
        },
      ],
      cables: fedAtTheSwitch(true),
    })
    if (draw(3) === 0) job.proveRoles(`box-${at}`)
  }
  const crew = Array.from({ length: draw(5) }, (_, at) => ({
    id: `crew-${at}`,
    name: `Person ${at}`,
    readsLive: at === 0 || draw(2) === 0,
    atPanel: at === 3 && draw(2) === 0,
  }))
  const keeps =
    draw(3) === 0
      ? { keep: { id: 'keep', kind: 'off-at-most', roomId: null, circuitId: 'circuit-1', minutes: 45 } }
      : {}
  const rows = Object.fromEntries(crew.map(each => [each.id, each]))
  return { ...job.record(), crew: rows, keeps } as unknown as JobRecord
}

/** Breakers that may bring a hot into a box, told from its rows alone. */
const feedsOf = (record: JobRecord, boxId: string): string[] =>
  Object.values(record.feeds).flatMap(feed => (feed.boxId === boxId ? [feed.circuitId] : []))

describe('a breaker goes on only over boxes that are closed, attended, or made safe to stand', () => {
  it(`whatever the house and the crew: a day gone through turn by turn (${30 * TIMES})`, () => {
    const faults: string[] = []
    const seen = { standing: 0, largest: 0, walks: 0 }
    for (let seed = 1; seed <= 30 * TIMES; seed++) {
      const draw = lot(seed)
      const record = house(draw, seed % 12 === 0 ? 60 : 1 + draw(14))
      const day = dayOf(record, trade)
      const state = new Map<string, 'closed' | 'bare' | 'safe'>()
      day.stretches.forEach((stretch, at) => {
        const isOn = (boxId: string) => feedsOf(record, boxId).some(id => !stretch.off.includes(id))
        const say = (what: string) => faults.push(`seed ${seed}, stretch ${at + 1}: ${what}`)
        // As the breakers are thrown.
        for (const [boxId, how] of state) {
          if (how === 'bare' && isOn(boxId)) say(`${boxId} is bare and on`)
          if (how === 'safe' && isOn(boxId)) {
            seen.standing++
            if (!stretch.standing.includes(boxId)) say(`${boxId} stands and is not listed`)
          }
        }
        for (const boxId of stretch.standing)
          if (state.get(boxId) !== 'safe') say(`${boxId} is listed and does not stand`)
        // As it is worked: hands on conductors only where nothing is on.
        for (const { boxId, kind } of [...stretch.turns].sort((a, b) => a.from - b.from)) {
          if (kind === 'live') {
            if (state.get(boxId) !== 'safe') say(`${boxId} is read live and not capped`)
            if (feedsOf(record, boxId).some(id => stretch.off.includes(id)))
              say(`${boxId} is read live and off`)
            continue
          }
          if (isOn(boxId)) say(`hands in ${boxId}, which is on`)
          state.set(boxId, kind === 'apart' ? 'bare' : kind === 'safe' ? 'safe' : 'closed')
        }
        for (const [boxId, how] of state) if (how === 'bare') say(`${boxId} is left bare`)
      })
      for (const [boxId, how] of state) if (how !== 'closed') faults.push(`seed ${seed}: ${boxId} stays open`)
      seen.largest = Math.max(
        seen.largest,
        new Set(day.stretches.flatMap(({ turns }) => turns.map(({ boxId }) => boxId))).size,
      )
      seen.walks += day.walks
    }
    expect(faults).toEqual([])
    expect(seen.standing).toBeGreaterThan(100)
    expect(seen.largest).toBeGreaterThan(40)
  })

  it(`whoever made the plan: the guard as a plain reading of what was ticked (${1500 * TIMES})`, () => {
    const counted = { held: 0, let: 0 }
    for (let seed = 1; seed <= 1500 * TIMES; seed++) {
      const draw = lot(seed)
      const record = house(draw, 1 + draw(3))
      const boxes = Object.keys(record.boxes)
      const steps: Record<string, unknown> = {}
      const switchings: Record<string, unknown> = {}
      /** What is so in each box, told as it happens. */
      const facts = new Map(boxes.map(id => [id, { open: false, capped: false, stood: false }]))
      const moment = { at: '2026-03-02T09:00:00.000Z' }
      for (let seq = 1000; seq < 1000 + 3 + draw(14); seq++) {
        const boxId = boxes[draw(boxes.length)]!
        const what = ['apart', 'together', 'made-safe', 'attended', 'off', 'joint', 'fold'][draw(7)]!
        if (what === 'off') {
          const circuitId = draw(4) === 0 ? null : `circuit-${BREAKERS[draw(4)]!}`
          switchings[`s-${seq}`] = {
            ...BLANK.switchings,
            id: `s-${seq}`,
            circuitId,
            to: 'off',
            seq,
            ...moment,
          }
          for (const [each, now] of facts)
            if (circuitId === null || feedsOf(record, each).includes(circuitId)) now.stood = false
          continue
        }
        const stepKey = what === 'joint' ? 'joint:ground' : what === 'fold' ? what : `test:${what}`
        steps[`t-${seq}`] = { ...BLANK.steps, id: `t-${seq}`, boxId, stepKey, seq, ...moment }
        const now = facts.get(boxId)!
        if (what === 'apart') Object.assign(now, { open: true, capped: false, stood: false })
        else if (what === 'together' || what === 'fold') now.open = false
        else if (what === 'made-safe') now.capped = true
        else if (what === 'attended') now.stood = true
        else now.capped = false
      }
      const before = { ...record, steps: { ...record.steps, ...steps }, switchings } as unknown as JobRecord
      const circuitId = draw(5) === 0 ? null : `circuit-${BREAKERS[draw(4)]!}`
      const row = { ...BLANK.switchings, id: 'on', circuitId, to: 'on' as const, seq: 2000, ...moment }
      const after = { ...before, switchings: { ...before.switchings, on: row } } as unknown as JobRecord
      const faults = holdPoints(trade)(before, after, [
        { entity: 'switchings', id: 'on', before: null, after: row },
      ] as never)
      const crew = Object.values(record.crew)
      const readers = crew.filter(({ readsLive, atPanel }) => readsLive && !atPanel).length
      const may = crew.length === 0 ? 1 : Math.min(readers, crew.length - 1)
      const open = [...facts].filter(([, now]) => now.open && !now.capped)
      const attended = open.filter(([, { stood }]) => stood)
      const bare = open.filter(([, { stood }]) => !stood).map(([boxId]) => boxId)
      const isHeld =
        attended.length > may ||
        bare.some(boxId => circuitId === null || feedsOf(record, boxId).includes(circuitId))
      expect([seed, faults.length > 0]).toEqual([seed, isHeld])
      counted[isHeld ? 'held' : 'let']++
    }
    expect(counted.held).toBeGreaterThan(200)
    expect(counted.let).toBeGreaterThan(200)
  })
})
