import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { boxByBox, inThisOrder, inTurn, leastWalks, minutesOf, type Limits, type Piece } from './walks'

const BREAKERS = ['1', '2', '3', '4']

/** Boxes on up to four breakers, some read live first. */
function piecesFor(seed: number, boxes: number): { pieces: Piece[]; limits: Limits } {
  const draw = lot(seed)
  const pieces = Array.from({ length: boxes }, (_, at): Piece[] => {
    const breakers = draw(4) === 0 ? ['1', BREAKERS[1 + draw(3)]!] : [BREAKERS[draw(4)]!]
    const base = { boxId: `b${at}`, breakers, first: draw(5) === 0 }
    const minutes = 5 + draw(6) * 5
    if (draw(3) > 0) return [{ ...base, id: `b${at} work`, kind: 'work', minutes, after: [] }]
    return [
      { ...base, id: `b${at} apart`, kind: 'apart', minutes: 5, after: [] },
      { ...base, id: `b${at} live`, kind: 'live', minutes: 2, after: [`b${at} apart`] },
      { ...base, id: `b${at} work`, kind: 'work', minutes, after: [`b${at} live`] },
    ]
  }).flat()
  const offAtMost: Record<string, number> = {}
  for (const id of BREAKERS) if (draw(3) === 0) offAtMost[id] = 30 + draw(3) * 15
  return { pieces, limits: { offAtMost, all: BREAKERS, hands: 1 + draw(2), readers: 1, walkMinutes: 0 } }
}

/** Whether pieces may stand in these stretches, told from the stretches alone. */
function allowed(pieces: readonly Piece[], at: readonly number[], count: number, limits: Limits): boolean {
  const index = new Map(pieces.map((piece, which) => [piece.id, at[which]!]))
  if (!pieces.every(({ id, after }) => after.every(before => index.get(before)! < index.get(id)!)))
    return false
  const stretches = Array.from({ length: count }, (_, which) =>
    pieces.filter((__, each) => at[each] === which),
  )
  const off = stretches.map(
    own => new Set(own.filter(({ kind }) => kind !== 'live').flatMap(({ breakers }) => breakers)),
  )
  if (
    stretches.some((own, which) =>
      own.some(({ kind, breakers }) => kind === 'live' && breakers.some(id => off[which]!.has(id))),
    )
  )
    return false
  if (off.some(set => limits.all.every(id => set.has(id)))) return false
  return Object.entries(limits.offAtMost).every(([id, most]) => {
    let run: Piece[][] = []
    return stretches.every((own, which) => {
      run = off[which]!.has(id) ? [...run, own] : []
      const minutes = run.reduce((sum, each) => sum + minutesOf(each, limits.hands), 0)
      return minutes <= most || run.flat().length <= 1
    })
  })
}

/** The fewest stretches, every way tried. */
function fewest(pieces: readonly Piece[], limits: Limits): number {
  for (let count = 1; ; count++) {
    const at = pieces.map(() => 0)
    for (;;) {
      if (allowed(pieces, at, count, limits)) return count
      let digit = 0
      while (digit < at.length && ++at[digit]! === count) at[digit++] = 0
      if (digit === at.length) break
    }
  }
}

describe('walks to the panel', () => {
  it('boxes on breakers of their own share two walks as long as one breaker stays on for the tester', () => {
    const work = (id: string, breaker: string): Piece => ({
      id,
      boxId: id,
      kind: 'work',
      breakers: [breaker],
      minutes: 10,
      after: [],
      first: false,
    })
    const limits = { offAtMost: {}, all: ['1', '2', '3'], hands: 1, readers: 1, walkMinutes: 0 }
    const two = leastWalks([work('a', '1'), work('b', '2')], limits)
    expect(two).toMatchObject({ walks: 2, atLeast: 2 })
    const three = leastWalks([work('a', '1'), work('b', '2'), work('c', '3')], limits)
    expect(three).toMatchObject({ walks: 3, atLeast: 3 })
    expect(boxByBox([work('a', '1'), work('b', '2'), work('c', '3')])).toBe(6)
  })

  it('what is read live comes between taking apart and working, all of it with one switching-on', () => {
    const pieces = ['a', 'b', 'c'].flatMap((boxId): Piece[] => {
      const base = { boxId, breakers: ['1'], first: false, minutes: 5 }
      return [
        { ...base, id: `${boxId} apart`, kind: 'apart', after: [] },
        { ...base, id: `${boxId} live`, kind: 'live', after: [`${boxId} apart`] },
        { ...base, id: `${boxId} work`, kind: 'work', after: [`${boxId} live`] },
      ]
    })
    const { stretches, walks } = leastWalks(pieces, {
      offAtMost: {},
      all: ['1', '2'],
      hands: 1,
      readers: 1,
      walkMinutes: 0,
    })
    expect(walks).toBe(4)
    expect(stretches.map(({ off }) => off)).toEqual([['1'], [], ['1']])
  })

  it('a circuit that may be off for 30 minutes comes on between', () => {
    const pieces = ['a', 'b'].map((id): Piece => ({
      id,
      boxId: id,
      kind: 'work',
      breakers: ['1'],
      minutes: 25,
      after: [],
      first: false,
    }))
    const { stretches, walks, atLeast } = leastWalks(pieces, {
      offAtMost: { '1': 30 },
      all: ['1', '2'],
      hands: 1,
      readers: 1,
      walkMinutes: 0,
    })
    expect(stretches.map(({ off }) => off)).toEqual([['1'], [], ['1']])
    expect([walks, atLeast]).toEqual([4, 4])
  })

  it('as few as trying every way finds, for boxes drawn by seed (1 to 120)', () => {
    let shorter = 0
    for (let seed = 1; seed <= 120; seed++) {
      const { pieces: drawn, limits } = piecesFor(seed, 2 + (seed % 4))
      const pieces = inTurn(drawn, limits)
      if (pieces.length > 8) continue
      const { walks, atLeast, stretches } = leastWalks(pieces, limits)
      expect(walks, `seed ${seed}`).toBe(1 + fewest(pieces, limits))
      expect(atLeast, `seed ${seed}`).toBe(walks)
      expect(stretches.flatMap(each => each.pieces).sort()).toEqual(pieces.map(({ id }) => id).sort())
      if (walks < boxByBox(pieces)) shorter++
    }
    expect(shorter).toBeGreaterThan(60)
  })

  it('boxes up to 12 are decided, 60 of 60; beyond, the least that could be is said', () => {
    for (let seed = 1; seed <= 60; seed++) {
      const small = piecesFor(seed, 12)
      const { walks, atLeast } = leastWalks(small.pieces, small.limits)
      expect(walks, `seed ${seed}`).toBe(atLeast)
      if (seed > 20) continue
      const large = piecesFor(seed, 60)
      const many = leastWalks(large.pieces, large.limits)
      expect(many.atLeast).toBeGreaterThan(1)
      expect(many.walks).toBeGreaterThanOrEqual(many.atLeast)
      expect(many.walks).toBeLessThanOrEqual(inThisOrder(large.pieces, large.limits).walks + 3)
    }
  })
})
