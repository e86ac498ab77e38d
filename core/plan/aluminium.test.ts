import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, usualBox, type UsualBox } from '@/demo/usual'
import { checkPlace, raisedDefects } from '../check'
import { GAUGES } from '../model/vocabulary'
import { planBox } from '.'

const given = (more: UsualBox = {}): UsualBox => ({
  choice: 'dimmer-led-150-neutral',
  cables: fedAtTheSwitch(true, { gauge: '12 AWG', metal: 'aluminium' }),
  ...more,
})
/** What the breaker is to the conductors, by Check. */
const verdictOn = (box: UsualBox) =>
  checkPlace(usualBox(given(box)), 'box-1', trade)
    .find(({ device }) => device.id === 'dimmer-led-150-neutral')!
    .lines.find(({ rule }) => rule === 'conductor-breaker')!.verdict
const steps = (more: UsualBox = {}) => planBox(usualBox(given(more)), trade).steps

describe('aluminium', () => {
  it('joins by a copper tail in a listed connector, never by lever, twist-on or lead', () => {
    for (const joints of ['lever', 'twist-on']) {
      const made = steps({ rules: { joints } }).filter(({ key }) => key.startsWith('joint:'))
      expect(made.length).toBeGreaterThan(2)
      for (const { says, why, parts, minutes } of made) {
        // Each conductor by its tail, and only the tails in what joins them.
        const members = says.match(/[AB] (black|white|bare)/g)!.length
        expect(says.match(/the copper tail of [AB] \w+ \(aluminum\)/g)).toHaveLength(members)
        expect(says).toMatch(
          /tail to its aluminum in a connector whose own sheet lists copper with aluminum$/,
        )
        expect(parts.filter(({ words }) => words.startsWith('connector whose own sheet'))).toHaveLength(
          members,
        )
        expect(parts.filter(({ words }) => words === 'pigtail, solid copper, 12 AWG')).toHaveLength(members)
        expect(why).toContain('Aluminum first')
        expect(minutes).toBeGreaterThanOrEqual(members * trade.minutes['listed-connector'])
      }
    }
  })

  it('lands on no screw itself: its pigtail does, in a listed connector that is the joint', () => {
    const made = steps({ choice: 'switch-plain-15' })
    const [hot] = made.filter(({ key }) => key.startsWith('joint:line'))
    expect(hot!.says).toBe(
      'Join the hot: A black (aluminum), a black pigtail to “Upper dark screw” in a connector whose own sheet lists copper with aluminum',
    )
    expect(hot!.why).not.toMatch(/slot|Twist/)
    const landed = made.filter(({ key }) => key.startsWith('land:'))
    expect(landed.length).toBeGreaterThan(2)
    for (const { says } of landed) expect(says).toMatch(/^the \w+ pigtail on/)
    // Copper is as it was.
    const copper = planBox(usualBox({ choice: 'switch-plain-15' }), trade).steps
    expect(copper.some(({ says }) => /aluminum|copper tail/.test(says))).toBe(false)
  })

  it.each([
    ['12 AWG', 15, false],
    ['12 AWG', 20, true],
    ['10 AWG', 25, false],
    ['10 AWG', 30, true],
  ] as const)('%s on %i A: too much %s', (gauge, ratedAmps, isOver) => {
    const box = { ratedAmps, cables: fedAtTheSwitch(true, { gauge, metal: 'aluminium' as const }) }
    const ids = raisedDefects(usualBox(box), trade).map(({ ruleId }) => ruleId)
    expect(ids.some(id => id.startsWith('undersized'))).toBe(isOver)
    expect(verdictOn(box)).toBe(isOver ? 'does-not-fit' : 'fits')
  })

  it('of a gauge that no figure is for is not judged by copper’s', () => {
    const without = GAUGES.filter(gauge => trade.conductors[gauge].aluminiumNotAboveAmps === null)
    expect(without).toContain('14 AWG')
    const box = { cables: fedAtTheSwitch(true, { gauge: '14 AWG', metal: 'aluminium' as const }) }
    expect(verdictOn(box)).toBe('not-known')
  })
})
