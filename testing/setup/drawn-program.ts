import type { Moment, Program, When } from '@/core/model/light-program'

const EVERY_DAY = [1, 2, 3, 4, 5, 6, 7]

type Below = (below: number) => number

function drawnMoment(below: Below): Moment {
  const kind = (['clock', 'clock', 'dusk', 'dawn'] as const)[below(4)]!
  return kind === 'clock'
    ? { kind, minute: below(3) === 0 ? 90 + below(120) : (840 + below(1290)) % 1440 }
    : { kind, plus: (below(9) - 4) * 25 }
}

const drawnDate = (below: Below) =>
  `${String(1 + below(12)).padStart(2, '0')}-${String(1 + below(29)).padStart(2, '0')}`

const drawnWhen = (below: Below): When =>
  below(4) === 0
    ? { kind: below(2) === 0 ? 'earlier' : 'later', of: [drawnMoment(below), drawnMoment(below)] }
    : drawnMoment(below)

/** No clock time about noon: whether a night holds it hangs on the second at which the sun stands highest. */
export const drawnProgram = (below: Below): Program => ({
  events: Array.from({ length: 1 + below(5) }, () => ({
    turns: below(2) === 0 ? ('on' as const) : ('off' as const),
    when: drawnWhen(below),
    days: below(3) === 0 ? EVERY_DAY.filter(() => below(2) === 0) : EVERY_DAY,
    between: below(3) === 0 ? { from: drawnDate(below), to: drawnDate(below) } : null,
    ofThatNight: below(2) === 0,
    instead: below(3) === 0 ? below(1440) : null,
    vary: 0,
  })),
  daylightSaving: below(3) === 0 ? 'stands' : 'follows',
})
