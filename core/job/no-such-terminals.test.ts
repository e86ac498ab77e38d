import { describe, expect, it } from 'vitest'
import { trade } from '@/catalogue'
import { fedAtTheSwitch, usualBox } from '@/demo/usual'
import { plainPen, written } from '@/testing/recording/plain-pen'
import { accountedIn, Identifier, surveyOf, takenIn } from '../identify'
import { ifOnAfter, planBox } from '../plan'
import { oldDeviceChanged } from '../recording'
import { foundCircuit } from '../route'
import { boxView } from './box-view'
import { noSuchTerminals } from './no-such-terminals'

/* An old device whose conductors were seated as those of another kind. */

describe('a device that is found to be of another kind', () => {
  const before = usualBox({ choice: 'switch-plain-15', cables: fedAtTheSwitch(true) })
  const dimmer = trade.devices.find(({ id }) => id === 'old-dimmer')!

  it('says what sits where nothing is, and nothing breaks on it', () => {
    expect(noSuchTerminals(before, trade)).toEqual([])
    const view = usualBox({ old: 'old-dimmer', choice: 'switch-plain-15', cables: fedAtTheSwitch(true) })
    expect(noSuchTerminals(view, trade).map(({ message }) => message)).toEqual([
      'Old dimmer, two leads has no such terminal: say where A black sits',
      'Old dimmer, two leads has no such terminal: say where B black sits',
    ])
    for (const refused of [foundCircuit([view], trade), surveyOf([view], trade)]) {
      expect(refused.ok).toBe(false)
      if (!refused.ok)
        expect(refused.faults.map(({ code }) => code)).toEqual(['no-such-terminal', 'no-such-terminal'])
    }
    // Until somebody says it they count as bare: with the power on they would be live in the open.
    const live = [...ifOnAfter(view, planBox(view, trade).steps, trade).values()][0] ?? []
    expect(live.map(({ says }) => says).join()).toMatch(/A black/)
  })

  it('leaves its other conductors loose, for a person to say where they sit', () => {
    const deviceId = before.places[0]!.found!.id
    const record = written(before.record, oldDeviceChanged(plainPen(), before, deviceId, dimmer))
    const after = boxView(record, 'box')!
    expect(noSuchTerminals(after, trade)).toEqual([])
    expect(after.ends.filter(({ end }) => end.seat === 'loose').map(({ name }) => name)).toEqual([
      'A black',
      'B black',
    ])
    const survey = surveyOf([after], trade)
    if (!survey.ok) throw new Error(survey.faults[0]!.message)
    const identifier = Identifier.of(survey.value, { live: true })
    expect(
      identifier.ok && identifier.value.after(takenIn([after], trade), accountedIn([after]), new Set()).known,
    ).toBeTruthy()
  })
})
