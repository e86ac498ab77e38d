import {
  EVERY_DAY,
  type Moment,
  type Program,
  type ProgramEvent,
  type Turns,
  type When,
} from '@/core/model/light-program'

const DUSK: Moment = { kind: 'dusk', plus: 0 }
const DAWN: Moment = { kind: 'dawn', plus: 0 }
const clock = (hour: number, minute = 0): Moment => ({ kind: 'clock', minute: hour * 60 + minute })

const event = (turns: Turns, when: When, more: Partial<ProgramEvent> = {}): ProgramEvent => ({
  ...{ turns, when, days: EVERY_DAY, between: null, ofThatNight: false, instead: null, vary: 0 },
  ...more,
})

const program = (...events: readonly ProgramEvent[]): Program => ({ events, daylightSaving: 'follows' })

/**
 * Programs as they usually are, by what they are called: a beginning, to be corrected. Where dusk comes after the hour at
 * which a light is to go out it does not come on at all.
 */
export const USUAL_PROGRAMS: Readonly<Record<string, Program>> = {
  'dusk-to-dawn': program(event('on', DUSK), event('off', DAWN)),
  'dusk-to-23:00': program(
    event('on', DUSK),
    event('off', { kind: 'later', of: [clock(23), DUSK] }, { ofThatNight: true }),
  ),
  'dusk-to-23:00,-and-before-dawn': program(
    event('on', DUSK),
    event('off', { kind: 'later', of: [clock(23), DUSK] }, { ofThatNight: true }),
    event('on', { kind: 'earlier', of: [clock(5, 30), DAWN] }, { ofThatNight: true }),
    event('off', DAWN),
  ),
  'set-hours-of-an-evening': program(event('on', clock(18)), event('off', clock(22, 30))),
  'as-if-somebody-were-home': program(
    event('on', clock(18, 30), { vary: 30 }),
    event('off', clock(22, 30), { vary: 30 }),
  ),
}
