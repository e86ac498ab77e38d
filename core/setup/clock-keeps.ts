import type { ClockSheet } from '../model/device'
import { momentsOf, type Program, type ProgramEvent } from '../model/light-program'
import { fault, type Fault } from '../model/result'

type Can = ClockSheet['can'][number]

/** What an event asks of the clock that is to keep it, and the field that asks it. */
const ASKS: Readonly<Record<Can, readonly [field: string, asks: (event: ProgramEvent) => boolean]>> = {
  sun: ['at', ({ when }) => momentsOf(when).some(({ kind }) => kind !== 'clock')],
  pairs: ['at', ({ when }) => 'of' in when],
  weekdays: ['days', ({ days }) => days.length < 7],
  dates: ['between', ({ between }) => between !== null],
  vary: ['vary', ({ vary }) => vary > 0],
}

/** What of a program a device cannot keep, by the sheet of its clock: each at its field. */
export function faultsForClock({ events, daylightSaving }: Program, sheet: ClockSheet): Fault[] {
  return [
    ...(events.length > sheet.events
      ? [fault('/events', 'too-many', `its clock keeps ${sheet.events} events`)]
      : []),
    ...events.flatMap((event, at) =>
      (Object.keys(ASKS) as Can[]).flatMap(can => {
        const [field, asks] = ASKS[can]
        return asks(event) && !sheet.can.includes(can)
          ? [fault(`/events/${at}/${field}`, `cannot-${can}`, `its clock knows no ${can}`)]
          : []
      }),
    ),
    ...(sheet.daylightSaving !== 'set' && sheet.daylightSaving !== daylightSaving
      ? [
          fault(
            '/daylightSaving',
            'other-clock',
            sheet.daylightSaving === 'stands'
              ? 'its clock is not put forward and back'
              : 'its clock is put forward and back by itself',
          ),
        ]
      : []),
  ]
}
