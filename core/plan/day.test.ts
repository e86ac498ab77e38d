import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { quillbackRoad } from '@/demo/quillback'
import { usualBox } from '@/demo/usual'
import { rowsOf, type JobRecord } from '../model/record'
import { dayOf, learnedPace, progressOfJob, type Turn } from '.'

/** With nobody named and nothing to be kept: each test says its own. */
const record: JobRecord = { ...quillbackRoad(), crew: {}, keeps: {} }
const day = dayOf(record, trade)
const withRows = (
  table: 'crew' | 'keeps' | 'turns',
  ...rows: readonly { readonly id: string }[]
): JobRecord => ({ ...record, [table]: Object.fromEntries(rows.map(row => [row.id, row])) }) as JobRecord

describe('the day', () => {
  it('of the demo house: the freezer is off for 30 minutes at most, the stair done first, walks still few', () => {
    const demo = dayOf(quillbackRoad(), trade)
    expect(demo.broken).toEqual([])
    expect(demo.walks).toBeLessThan(demo.boxByBox.walks / 3)
    for (const { turns } of demo.stretches)
      for (const each of turns) if (each.kind === 'live') expect(each.who).toBe('Ines Talbot-Roe')
  })

  it('every box that can be worked is in it once for each kind, and none that waits', () => {
    const turns = day.stretches.flatMap(each => each.turns)
    expect(turns.length).toBeGreaterThan(15)
    expect(new Set(turns.map(({ boxId, kind }) => `${boxId} ${kind}`)).size).toBe(turns.length)
    for (const { boxId } of turns) expect(day.waiting).not.toContain(boxId)
  })

  it('goes on from what is done: a box that is wired is counted, and out of the day', () => {
    const wired = progressOfJob(record, trade).filter(({ stages }) =>
      stages.some(({ stage, state }) => stage === 'wire' && state === 'done'),
    )
    expect(day.wired.done).toBe(wired.length)
    expect(wired.length).toBeGreaterThan(0)
    const turns = day.stretches.flatMap(each => each.turns.map(({ boxId }) => boxId))
    for (const { boxId } of wired) expect(turns).not.toContain(boxId)
  })

  it('walks less than box by box, and says both', () => {
    expect(day.walks).toBeLessThan(day.boxByBox.walks)
    expect(day.walks).toBe(day.walksAtLeast)
    expect(day.minutes).toBeLessThan(day.boxByBox.minutes)
  })

  it('what is thrown at each walk makes the next stretch, and no work is done on a breaker that is on', () => {
    let off = new Set<string>()
    for (const stretch of day.stretches) {
      off = new Set([...off, ...stretch.toOff].filter(id => !stretch.toOn.includes(id)))
      expect([...off].sort()).toEqual([...stretch.off].sort())
      for (const { boxId, kind } of stretch.turns) {
        const feeds = rowsOf(record, 'feeds').filter(each => each.boxId === boxId)
        if (kind !== 'live') for (const { circuitId } of feeds) expect(stretch.off).toContain(circuitId)
        else for (const { circuitId } of feeds) expect(stretch.off).not.toContain(circuitId)
      }
    }
  })

  it('nothing stays open overnight: what is read live is put together or wired, dead, in a later stretch', () => {
    const at = (boxId: string, kind: Turn['kind']) =>
      day.stretches.findIndex(({ turns }) => turns.some(each => each.boxId === boxId && each.kind === kind))
    const read = day.stretches.flatMap(({ turns }) => turns.filter(({ kind }) => kind === 'live'))
    const closed = { apart: 0, wired: 0 }
    for (const { boxId } of read) {
      const [close, work] = [at(boxId, 'close'), at(boxId, 'work')]
      expect([close, work].filter(stretch => stretch > at(boxId, 'live'))).toHaveLength(1)
      if (close >= 0) closed.apart++
      else closed.wired++
    }
    expect(closed.apart).toBeGreaterThan(0)
    // What was never opened is not closed either.
    for (const { turns } of day.stretches)
      for (const { boxId, kind } of turns)
        if (kind === 'close') expect(at(boxId, 'live')).toBeGreaterThanOrEqual(0)
  })

  it('two people share a stretch, and only who may takes live readings', () => {
    const two = dayOf(
      withRows(
        'crew',
        { id: 'a', name: 'Ada', readsLive: true, atPanel: false } as never,
        { id: 'b', name: 'Ben', readsLive: false, atPanel: false } as never,
      ),
      trade,
    )
    expect(two.minutes).toBeLessThan(day.minutes)
    for (const { turns } of two.stretches) {
      for (const each of turns) if (each.kind === 'live') expect(each.who).toBe('Ada')
      for (const who of ['Ada', 'Ben']) {
        const own = turns.filter(each => each.who === who).sort((a, b) => a.from - b.from)
        own
          .slice(1)
          .forEach((each, at) =>
            expect(each.from + 1e-9).toBeGreaterThanOrEqual(own[at]!.from + own[at]!.minutes),
          )
      }
    }
  })

  it('a crew of apprentices: it is said that nobody may read live, whatever else is to be kept', () => {
    const crew = { id: 'b', name: 'Ben', readsLive: false, atPanel: false }
    const { broken, stretches } = dayOf(withRows('crew', crew), trade)
    expect(broken).toEqual(['nobody of the crew may take live readings'])
    for (const each of stretches.flatMap(({ turns }) => turns))
      expect(each.who).toBe(each.kind === 'live' ? null : 'Ben')
  })

  it('a helper at the panel takes the walks', () => {
    const helped = dayOf(
      withRows('crew', { id: 'h', name: 'Hal', readsLive: false, atPanel: true } as never),
      trade,
    )
    expect(helped.walks).toBe(day.walks)
    expect(helped.minutes).toBeLessThan(day.minutes)
  })

  it('a circuit that may be off for a short while comes on between, or it is said that it cannot', () => {
    const [first] = day.stretches.flatMap(({ off }) => off)
    const kept = dayOf(
      withRows('keeps', {
        id: 'k',
        kind: 'off-at-most',
        roomId: null,
        circuitId: first!,
        minutes: 10,
      } as never),
      trade,
    )
    expect(kept.walks).toBeGreaterThanOrEqual(day.walks)
    const longest = Math.max(
      ...kept.stretches.filter(({ off }) => off.includes(first!)).map(({ minutes }) => minutes),
    )
    expect(kept.broken.length > 0).toBe(longest > 10)
  })

  it('in an order that somebody gave, it costs what it costs beside the least', () => {
    const boxes = [...new Set(day.stretches.flatMap(({ turns }) => turns.map(({ boxId }) => boxId)))]
    const turns = [...boxes].reverse().map((boxId, position) => ({ id: `t${position}`, boxId, position }))
    const given = dayOf(withRows('turns', ...turns), trade)
    expect(given.best.walks).toBe(day.walks)
    expect(given.walks).toBeGreaterThanOrEqual(given.best.walks)
    const work = given.stretches.flatMap(({ turns: own }) => own).filter(({ kind }) => kind === 'work')
    expect(work).toHaveLength(
      day.stretches.flatMap(({ turns: own }) => own).filter(({ kind }) => kind === 'work').length,
    )
  })

  it('minutes are learned from boxes that are finished, and only from those', () => {
    expect(learnedPace({ ...record, steps: {} }, trade)).toBe(1)
    const done = rowsOf(record, 'steps')
    const slow = Object.fromEntries(
      done.map((step, at) => [
        step.id,
        { ...step, at: new Date(Date.UTC(2026, 2, 2, 8, at * 4)).toISOString() },
      ]),
    )
    expect(learnedPace({ ...record, steps: slow }, trade)).toBeGreaterThan(1)
  })

  it('a way through that is not lit again by night is told, though nobody asked; another room only where somebody did', () => {
    const slow = { ...trade, minutes: { ...trade.minutes, folding: 600 } }
    const brokenIn = (roomKind: 'passage' | 'living') =>
      dayOf(usualBox({ choice: 'switch-plain-15', roomKind }).record, slow).broken
    expect(brokenIn('passage')).toEqual([
      'Room is not finished within the day, and nobody passes through in the dark: a light for the night',
    ])
    expect(brokenIn('living')).toEqual([])
    expect(dayOf(usualBox({ choice: 'switch-plain-15', roomKind: 'passage' }).record, trade).broken).toEqual(
      [],
    )
  })
})
