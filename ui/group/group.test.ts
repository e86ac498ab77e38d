import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { tiedSets } from '@/core/job/tied'
import { OUTSIDE_EVENTS } from '@/core/model/device'
import type { Shown } from '@/core/read'
import { saltpanQuay } from '@/demo/saltpan'
import { quillbackRoad } from '@/demo/quillback'
import { layoutGroup } from './layout'
import { foundScene, plannedScene, type Scene } from './scene'
import { stateWords } from './state-words'
import { faceOf } from './face'
import { EVENT_WORDS } from './words'
import { SOURCE, sayIn } from '@/core/words/say'

const say = sayIn({ language: SOURCE })

const scenes: [string, Scene][] = [quillbackRoad(), saltpanQuay()].flatMap(record =>
  tiedSets(record).flatMap(([first]): [string, Scene][] => {
    const scene = foundScene(record, first!.box.id, trade)
    const planned = plannedScene(first!, trade)
    return [
      ...(scene.ok ? [[`${first!.box.id} as found`, scene.value] as [string, Scene]] : []),
      ...(planned ? [[`${first!.box.id} as planned`, planned] as [string, Scene]] : []),
    ]
  }),
)

/** Corners of a path, its rounding left out. */
const cornersOf = (path: string) =>
  [...path.matchAll(/Q([\d.-]+) ([\d.-]+)|[ML]([\d.-]+) ([\d.-]+)/g)].map(([, qx, qy, x, y]) => ({
    x: Number(qx ?? x),
    y: Number(qy ?? y),
  }))

describe('the group drawing of every piece of wiring in the demo', () => {
  it('there are several with more than one box, and planned ones', () => {
    expect(scenes.filter(([, scene]) => scene.boxes.length > 1).length).toBeGreaterThanOrEqual(6)
    expect(scenes.filter(([name]) => name.endsWith('planned')).length).toBeGreaterThanOrEqual(4)
  })

  it.each(scenes)('%s: boxes side by side, nothing outside the drawing', (_, scene) => {
    const { width, height, boxes, lamps, runs, panel } = layoutGroup(scene)
    boxes.forEach((box, at) => {
      const next = boxes[at + 1]
      if (next) expect(box.at.x + box.layout.width).toBeLessThan(next.at.x)
      expect(box.at.y).toBeGreaterThan(0)
      expect(box.at.y + box.layout.height).toBeLessThanOrEqual(height)
    })
    for (const { at } of lamps) expect(at.x + 60).toBeLessThan(width)
    for (const { at } of panel.breakers) expect(at.y).toBeGreaterThan(20)
    for (const { path } of runs)
      for (const { x, y } of cornersOf(path)) {
        expect(x).toBeGreaterThanOrEqual(0)
        expect(x).toBeLessThanOrEqual(width)
        expect(y).toBeGreaterThan(20)
        expect(y).toBeLessThan(height)
      }
  })

  it.each(scenes)('%s: every cable runs once, and none along another', (_, scene) => {
    const { boxes, runs } = layoutGroup(scene)
    const cables = new Set(boxes.flatMap(box => box.layout.cables.map(each => each.cable.id)))
    expect(runs.map(run => run.id).sort()).toEqual([...cables].sort())
    const level = runs.flatMap(({ id, path }) => {
      const corners = cornersOf(path)
      return corners.slice(1).flatMap((to, at) => {
        const from = corners[at]!
        return Math.abs(from.y - to.y) < 0.01 && Math.abs(from.x - to.x) > 40 ? [{ id, y: from.y }] : []
      })
    })
    const ends = new Set([
      ...layoutGroup(scene).panel.breakers.map(({ at }) => at.y),
      ...layoutGroup(scene).lamps.map(({ at }) => at.y),
    ])
    const own = level.filter(({ y }) => !ends.has(y))
    for (const [at, { id, y }] of own.entries())
      for (const other of own.slice(at + 1)) if (other.id !== id) expect(other.y).not.toBeCloseTo(y, 3)
  })

  it.each(scenes)('%s: every point that can be touched is a point of its circuit', (_, scene) => {
    const known = new Set([
      ...scene.circuit.wires.flatMap(({ a, b }) => [a, b]),
      ...scene.circuit.devices.flatMap(({ id, model }) => model.terminals.map(each => `${id}.${each.id}`)),
    ])
    for (const { layout } of layoutGroup(scene).boxes) {
      for (const { strands } of layout.cables)
        for (const { strand } of strands) expect(known).toContain(`end:${strand.id}`)
      for (const { device } of layout.devices)
        for (const terminal of device.terminals) expect(known).toContain(`${device.id}.${terminal.id}`)
    }
  })
})

describe('words', () => {
  it('a device stands as its variables say; a level counts only while it is on', () => {
    expect(stateWords(say, { position: 'up' })).toBe('up')
    expect(stateWords(say, { relay: 'off', level: 'half', 'air-gap': 'in' })).toBe('off')
    expect(stateWords(say, { relay: 'on', level: 'half', 'air-gap': 'in' })).toBe('on, half')
    expect(stateWords(say, { relay: 'on', level: 'full' })).toBe('on')
    expect(stateWords(say, { relay: 'on', level: 'full', 'air-gap': 'out' })).toBe('air gap out')
    expect(stateWords(say, { key: 'pressed' })).toBe('pressed')
    expect(stateWords(say, undefined)).toBe('')
  })

  it('everything that can be done has a word of its own', () => {
    const words = OUTSIDE_EVENTS.map(event => EVENT_WORDS[event])
    expect(new Set(words).size).toBe(words.length)
  })

  it.each([
    [{ kind: 'volts', volts: 119.6, phantom: false }, '120 V', ''],
    [{ kind: 'volts', volts: 0.02, phantom: false }, '0.0 V', ''],
    [{ kind: 'volts', volts: 38.4, phantom: true }, '38 V', 'A phantom: one side hangs on nothing.'],
    [{ kind: 'ohms', ohms: 5.76, sounds: true }, '5.8 Ω', 'It sounds.'],
    [{ kind: 'ohms', ohms: 240, sounds: false }, '240 Ω', 'It does not sound.'],
    [{ kind: 'ohms', ohms: null, sounds: false }, 'Open', 'It does not sound.'],
    [{ kind: 'amps', amps: 0.5 }, '0.50 A', ''],
    [{ kind: 'field', present: true, says: 'A field is felt.' }, 'Field', 'A field is felt.'],
    [{ kind: 'receptacle', sense: 'open-ground', volts: 120 }, '120 V', 'Its ground is open.'],
    [{ kind: 'finder', suggests: ['breaker 8'], says: 'A hint.' }, 'breaker 8', 'A hint.'],
    [{ kind: 'finder', suggests: [], says: 'Dead.' }, 'No signal', 'Dead.'],
    [{ kind: 'indicator', lit: null }, 'No light of its own', ''],
    [{ kind: 'refused', hazard: 'Live.' }, 'Stop', 'Live.'],
  ] as [Shown, string, string][])('%o reads %s', (shown, face, remark) => {
    expect(faceOf(say, shown)).toEqual({ face, remark })
  })
})
