import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { JobRecord } from '@/core/model/record'
import { fault } from '@/core/model/result'
import { deviceNamed, type Trade } from '@/core/model/trade'
import { programRowOf } from '@/core/plan'
import {
  clockOf,
  faultsForClock,
  placeFor,
  PROGRAM_SEED,
  writtenBy,
  writtenDay,
  yearWith,
} from '@/core/setup'
import { bad, rounded, type Answer } from './outcome'

type ClockProgrammed = { readonly ok: boolean } & Readonly<Record<string, unknown>>

/**
 * What every clock of a job that is chosen does in a year; or what is wanted to tell. A no: something is left on, a clock
 * cannot keep its program, or nothing can be told of one.
 */
export function programVerb(
  record: JobRecord,
  views: readonly BoxView[],
  trade: Trade,
  asked: string | null,
): Answer {
  const year = Number(asked)
  if (asked === null || !Number.isInteger(year) || year < 1970 || year > 2200)
    return bad(fault('/year', 'range', '--year from 1970 to 2200'))
  const clocks = views.flatMap(({ box, places }) =>
    places.flatMap(place => {
      const found = ofPlace(record, place, trade, year)
      return found ? [{ boxId: box.id, placeId: place.place.id, ...found }] : []
    }),
  )
  const ok = clocks.every(each => each.ok)
  return rounded({ code: ok ? 0 : 1, output: { ok, year, clocks } })
}

function ofPlace(
  record: JobRecord,
  { place, choice }: PlaceView,
  trade: Trade,
  year: number,
): ClockProgrammed | null {
  const model = deviceNamed(trade, choice?.modelId ?? '')
  if (!model?.clock) return null
  const program = programRowOf(record, place.id)?.program
  if (!program) return { modelId: model.id, ok: false, wants: 'no-program' }
  const at = placeFor(program, record.job.site)
  if (!at) return { modelId: model.id, ok: false, wants: 'no-site' }
  const cannot = faultsForClock(program, model.clock)
  const ahead = { from: 0, days: 0 }
  const answer = yearWith({ program, place: at, year, seed: PROGRAM_SEED, ahead })
  if (answer.kind === 'refused') return { modelId: model.id, ok: false, faults: answer.faults }
  const clock = clockOf(at.zone)
  const written = (instant: number | null) => (instant === null ? null : writtenBy(clock, instant))
  const { litHours, switchings, leftOn, differ } = answer.year
  return {
    modelId: model.id,
    ok: leftOn.length === 0 && cannot.length === 0,
    cannot,
    litHours,
    switchings,
    leftOn: leftOn.map(({ from, to }) => ({ from: written(from), to: written(to) })),
    differ: differ.map(each => ({ ...each, from: writtenDay(each.from), to: writtenDay(each.to) })),
  }
}
