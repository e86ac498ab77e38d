import { describe, expect, it } from 'vitest'
import { lot } from '@/testing/model/lot'
import { TIMES } from '@/testing/times'
import {
  BOXES,
  BREAKERS,
  CrewAtWork,
  FEEDS,
  fourBoxes,
  type Act,
  type BoxName,
} from '@/testing/safety/crew-at-work'

const house = fourBoxes()

/** What no phone may do: let hands into a box that is live. */
function dangers(crew: CrewAtWork): string[] {
  return crew.phones.flatMap((_, phone) =>
    BOXES.filter(box => crew.isLive(box) && crew.allows(phone, box)).map(box => `phone ${phone}: ${box}`),
  )
}

/** Plays what is done; `isHeard` says after which all with a connection have heard of it, as they do every other second. */
async function played(acts: readonly Act[], phones: number, isHeard: () => boolean = () => true) {
  const crew = new CrewAtWork(house, phones)
  await crew.heard()
  const met = { allowed: 0, touched: 0, held: 0 }
  let heard = true
  for (const [at, act] of acts.entries()) {
    const was = heard && act.does === 'touch' && crew.isLive(act.box)
    const done = await crew.act(act)
    if (act.does === 'touch' && done) {
      met.touched++
      expect([at, was, acts.slice(0, at + 1)]).toEqual([at, false, acts.slice(0, at + 1)])
    } else if (!done) met.held++
    heard = isHeard()
    if (!heard) continue
    await crew.heard()
    const found = dangers(crew)
    if (found.length > 0) throw new Error(`${found.join()} after ${JSON.stringify(acts.slice(0, at + 1))}`)
    met.allowed += crew.phones.filter((_, phone) => BOXES.some(box => crew.allows(phone, box))).length
  }
  return met
}

/** Every order in which some people do what each does in his own order. */
function* interleavings(scripts: readonly (readonly Act[])[]): Generator<readonly Act[]> {
  if (scripts.every(({ length }) => length === 0)) {
    yield []
    return
  }
  for (const [at, [next]] of scripts.entries()) {
    if (!next) continue
    const rest = scripts.map((script, other) => (other === at ? script.slice(1) : script))
    for (const further of interleavings(rest)) yield [next, ...further]
  }
}

const makeDead = (phone: number, box: BoxName): Act[] => [
  { does: 'tester', phone, box },
  { does: 'reference', phone, box },
  ...FEEDS[box].map((breaker): Act => ({ does: 'off', phone, breaker })),
  { does: 'read', phone, box },
  { does: 'tester', phone, box },
]

/** A script with its phone out of touch from one point to another. */
const lostBetween = (script: readonly Act[], from: number, to: number): Act[] => {
  const phone = script[0]!.phone
  return [
    ...script.slice(0, from),
    { does: 'lose', phone },
    ...script.slice(from, to),
    { does: 'regain', phone },
    ...script.slice(to),
  ]
}

describe('several phones, each with what it knows', () => {
  it('no order in which one makes a box dead and another switches on lets a hand into a live box', async () => {
    const dead = [...makeDead(0, 'one'), { does: 'touch', phone: 0, box: 'one' } as const]
    const whole: readonly Act[][] = [
      [{ does: 'found-on', phone: 1, breaker: '7' }],
      [
        { does: 'off', phone: 1, breaker: '7' },
        { does: 'on', phone: 1, breaker: '7' },
      ],
    ]
    let orders = 0
    let allowed = 0
    for (const other of whole)
      for (let from = 0; from <= dead.length; from++)
        for (let to = from; to <= dead.length; to++) {
          // Some of them; all in long runs.
          if (TIMES === 1 && (from + 2 * to) % 4 !== 0) continue
          const away = from === to ? dead : lostBetween(dead, from, to)
          for (const acts of interleavings([away, other])) {
            allowed += (await played(acts, 2)).allowed
            orders++
          }
        }
    expect(orders).toBeGreaterThan(150)
    expect(allowed).toBeGreaterThan(50)
  }, 600_000)

  it('nor where the one who switches on is out of touch, and a third has put his phone away', async () => {
    const dead = [...makeDead(0, 'one'), { does: 'touch', phone: 0, box: 'one' } as const]
    const away: Act[] = [
      { does: 'lose', phone: 1 },
      { does: 'found-on', phone: 1, breaker: '7' },
      { does: 'regain', phone: 1 },
    ]
    let orders = 0
    for (const acts of interleavings([dead, away, [{ does: 'rest', phone: 2 }]])) {
      if (orders++ % (TIMES > 1 ? 1 : 6) !== 0) continue
      await played(acts, 3)
    }
    expect(orders).toBeGreaterThan(800)
  }, 600_000)

  it('nor anything three people do at random, on two breakers and four boxes', async () => {
    const met = { allowed: 0, touched: 0, held: 0 }
    for (let seed = 1; seed <= 40 * TIMES; seed++) {
      const draw = lot(seed)
      const acts = Array.from({ length: 50 }, (): Act => {
        const phone = draw(3)
        const box = BOXES[draw(BOXES.length)]!
        const breaker = BREAKERS[draw(2)]!
        switch (draw(12)) {
          case 0:
            return { does: 'lose', phone }
          case 1:
          case 2:
            return { does: 'regain', phone }
          case 3:
            return { does: 'rest', phone }
          case 4:
            return { does: 'found-on', phone, breaker }
          case 5:
            return { does: 'on', phone, breaker }
          case 6:
            return { does: 'take-back', phone }
          case 7:
            return { does: 'off', phone, breaker }
          default:
            return { does: 'touch', phone, box }
        }
      }).flatMap((act): Act[] =>
        act.does === 'touch' && draw(2) === 0 ? [...makeDead(act.phone, act.box), act] : [act],
      )
      // Somebody is quicker than a word, now and then.
      const one = await played(acts, 3, () => draw(4) > 0)
      met.allowed += one.allowed
      met.touched += one.touched
      met.held += one.held
    }
    expect(met.allowed).toBeGreaterThan(100 * TIMES)
    expect(met.touched).toBeGreaterThan(10 * TIMES)
    expect(met.held).toBeGreaterThan(10 * TIMES)
  }, 600_000)
})
