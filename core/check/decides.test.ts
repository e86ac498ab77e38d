import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { usualBox, type UsualBox } from '@/demo/usual'
import { randomFrom } from '@/testing/identify/hidden'
import { checkPlace } from './check'
import { nameOfThing, whatDecides, type OfCandidate } from './decides'
import { line, type Verdict } from './line'

const THINGS = ['a', 'b', 'c', 'd', 'e']

/** All choices out of some, the plain way. */
const choicesOf = (of: readonly string[]): string[][] =>
  of.length === 0 ? [[]] : choicesOf(of.slice(1)).flatMap(rest => [rest, [of[0]!, ...rest]])

describe('what decides most', () => {
  it('no other things would decide more, each counted, and the first is one of them (400 lists)', () => {
    for (let seed = 1; seed <= 400; seed++) {
      const random = randomFrom(seed)
      const some = <Each>(of: readonly Each[]) => of[Math.floor(random() * of.length)]!
      const candidates = Array.from({ length: 1 + Math.floor(random() * 8) }, (): OfCandidate => {
        const verdict: Verdict = random() < 0.8 ? 'not-known' : some(['fits', 'does-not-fit'])
        const lines = Array.from({ length: 1 + Math.floor(random() * 3) }, () =>
          line('load', random() < 0.8 ? 'not-known' : 'fits', '', 'load-kinds', {
            settledBy: random() < 0.9 ? some(THINGS) : null,
            settledOn: 'look',
          }),
        )
        return { verdict, lines: lines.map(each => ['box', each] as const) }
      })
      const open = candidates
        .filter(({ verdict }) => verdict === 'not-known')
        .map(({ lines }) =>
          lines.flatMap(([, each]) => (each.verdict === 'not-known' ? [each.settledBy] : [])),
        )
      const worth = (known: readonly string[]) =>
        open.filter(each => each.every(thing => thing !== null && known.includes(thing))).length
      const chosen = choicesOf(THINGS).filter(({ length }) => length > 0)
      const most = Math.max(...chosen.map(each => worth(each) / each.length))
      const found = whatDecides(candidates)
      // Where nothing that is lacking is not known, nothing has to be found out.
      const isNone = chosen.every(each => worth(each) === worth([]))
      if (isNone && found === null) continue
      expect(found, `seed ${seed}`).not.toBeNull()
      expect(found!.decides / found!.things.length).toBeCloseTo(most, 9)
      expect(found!.open).toBe(open.length)
      expect(
        chosen.some(
          each =>
            each.join() ===
              found!.things
                .map(({ says }) => says)
                .sort()
                .join() && worth(each) === found!.decides,
        ),
      ).toBe(true)
    }
  })

  it.each<[string, UsualBox, UsualBox]>([
    ['Read the print on one lamp of each kind.', { lamps: led('not-known') }, { lamps: led('yes') }],
    [
      'Read the volume in the box, or take it from the table.',
      { box: { volumeCubicInches: null } },
      { box: { volumeCubicInches: 30 } },
    ],
    ['Measure the depth of the box.', { box: { depthMillimetres: null } }, { box: { depthMillimetres: 90 } }],
  ])('%s: so many are decided as it says', (says, before, after) => {
    const found = whatDecides(verdicts(before))
    expect(found).toMatchObject({ things: [{ says, boxId: 'box', stage: 'look' }] })
    const known = (of: readonly OfCandidate[]) => of.filter(({ verdict }) => verdict !== 'not-known').length
    expect(found!.decides).toBeGreaterThan(5)
    expect(known(verdicts(after)) - known(verdicts(before))).toBe(found!.decides)
  })

  it('says what can be said at once: of each lamp whose print is not read, and nothing once it is', () => {
    const [lamps] = usualBox({ lamps: led('not-known') }).places[0]!.loads
    const candidates = verdicts({ lamps: led('not-known') })
    const asked = (all: readonly OfCandidate[], of: readonly string[] = []) =>
      whatDecides(all, of)?.things ?? []
    const [first] = asked(candidates)
    expect(first?.asked).toEqual([{ fact: 'dimmable', loadId: lamps!.id }])
    // What nobody can tell now is not asked for again, and what waits for it is not promised.
    const passed = asked(candidates, [nameOfThing(first!)])
    expect(passed.map(({ says }) => says)).not.toContain(first!.says)
  })
})

const led = (dimmable: 'yes' | 'not-known') => [{ kind: 'led' as const, wattsEach: 9, count: 4, dimmable }]

const verdicts = (given: UsualBox): OfCandidate[] =>
  checkPlace(usualBox(given), 'box-1', trade).map(({ verdict, lines }) => ({
    verdict,
    lines: lines.map(each => ['box', each] as const),
  }))
