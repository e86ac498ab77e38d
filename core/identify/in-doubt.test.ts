import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox } from '@/demo/usual'
import { lot } from '@/testing/model/lot'
import { happenings, type Did, type Happening } from '@/testing/safety/plain-dead'
import { TIMES } from '@/testing/times'
import { boxView, type BoxView } from '../job/box-view'
import { BLANK } from '../model/blank-rows'
import { accountedIn, basisOf, claimStatus, takenIn } from '.'

const LINE = 'box-a-black-1-end'
const house = usualBox({ proven: false }).record

/** What was done, as the server would have numbered it: switchings, and readings with the breaker on or off. */
function recorded(list: readonly Happening[], fields: object = {}): BoxView {
  const readings: Record<string, object> = {}
  const switchings: Record<string, object> = {}
  for (const [at, { did, person, arrived, had, nth }] of list.entries()) {
    const placed = {
      ...{ id: `did-${at}`, seq: arrived, at: '2026-03-02T09:00:00.000Z', revision: arrived, seen: had },
      ...{ device: `phone-${person}`, deviceNumber: nth, by: '' },
    }
    if (did.is === 'read')
      readings[placed.id] = {
        ...{ ...BLANK.readings, boxId: 'box', fromEndId: LINE, toSpot: 'earth', instrument: 'continuity' },
        ...{ breaker: did.end, answer: did.end === 'on' ? 'nominal' : 'silent', value: did.volts },
        ...{ ...(did.end === 'on' ? { instrument: 'low-impedance-meter' } : {}), ...fields, ...placed },
      }
    else if (did.is === 'on' || did.is === 'off')
      switchings[placed.id] = { ...BLANK.switchings, circuitId: 'circuit-7', to: did.is, ...placed }
  }
  return boxView({ ...house, readings, switchings } as unknown as typeof house, 'box')!
}

const one = (did: Did, person: number, arrived: number, had: number): Happening => ({
  ...{ did, person, arrived, had, nth: arrived, knew: new Set() },
})
const READ_OFF: Did = { is: 'read', end: 'off', volts: 100_000 }
const READ_ON: Did = { is: 'read', end: 'on', volts: 120 }

describe('a reading of which nobody knows in which state it was taken', () => {
  it('says nothing of what a conductor is, and what was found by it is to be found anew', () => {
    const alone = recorded([one(READ_OFF, 0, 1, 0)])
    const before = recorded([one(READ_OFF, 0, 1, 0), one({ is: 'on', breaker: '7' }, 1, 2, 1)])
    const atOnce = recorded([one(READ_OFF, 0, 1, 0), one({ is: 'on', breaker: '7' }, 1, 2, 0)])
    expect(takenIn([alone], trade)).toHaveLength(1)
    expect(takenIn([before], trade)).toHaveLength(1)
    expect(takenIn([atOnce], trade)).toEqual([])
    const basis = basisOf(alone.record, 'box')
    expect(basisOf(before.record, 'box')).toBe(basis)
    expect(basisOf(atOnce.record, 'box')).not.toBe(basis)
  })

  it('with the breaker on, where somebody switched it off meanwhile, is none either', () => {
    const off = { is: 'off', breaker: '7' } as const
    const found = recorded([one(READ_ON, 0, 1, 0), one(off, 1, 2, 0)])
    expect(takenIn([found], trade)).toEqual([])
    expect(takenIn([recorded([one(READ_ON, 0, 1, 0), one(off, 1, 2, 1)])], trade)).toHaveLength(1)
    const line = found.ends.find(({ end }) => end.id === LINE)!
    const named = { ...line, end: { ...line.end, role: 'line' as const } }
    expect(claimStatus(found, named).supporting).toEqual([])
  })

  it('tells no neutral from a ground', () => {
    const lifted = { purpose: 'lifted', answer: 'silent' }
    const on = { is: 'on', breaker: '7' } as const
    const told = (had: number) =>
      accountedIn([recorded([one(READ_OFF, 0, 1, 0), one(on, 1, 2, had)], lifted)]).toldFromGround
    expect([...told(1)]).toEqual([LINE])
    expect([...told(0)]).toEqual([])
  })

  it('is just one of those where neither knew of the other', () => {
    let counted = 0
    let inDoubt = 0
    for (let seed = 1; seed <= 1500 * TIMES; seed++) {
      const draw = lot(seed)
      const list = happenings(draw, 2 + draw(2), 6 + draw(4), () => {
        const is = draw(6)
        if (is === 0) return { is: 'on', breaker: '7' }
        return is === 1 ? { is: 'off', breaker: '7' } : draw(2) === 0 ? READ_ON : READ_OFF
      })
      const says = (did: Did) => (did.is === 'read' ? did.end : did.is)
      const plain = list.flatMap((each, at) => {
        if (each.did.is !== 'read') return []
        const against = list.some((other, then) => {
          const saysOther = says(other.did) !== says(each.did)
          // Whoever reads with the breaker off says nothing of a breaker.
          const isTold = other.did.is !== 'read' || other.did.end === 'on'
          return saysOther && isTold && !each.knew.has(then) && !other.knew.has(at)
        })
        return against ? [] : [`did-${at}`]
      })
      const taken = takenIn([recorded(list)], trade).map(({ id }) => id)
      expect([seed, taken.sort()]).toEqual([seed, plain.sort()])
      counted += plain.length
      inDoubt += list.filter(({ did }) => did.is === 'read').length - plain.length
    }
    expect(counted).toBeGreaterThan(1000)
    expect(inDoubt).toBeGreaterThan(1000)
  })
})
