import { useEffect, useMemo, useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { ClockSheet, DeviceModel } from '@/core/model/device'
import type { Program } from '@/core/model/light-program'
import type { Fault } from '@/core/model/result'
import type { Site } from '@/core/model/site'
import { programRowOf } from '@/core/plan'
import {
  faultsForClock,
  faultsOfProgram,
  placeFor,
  PROGRAM_SEED,
  yearWith,
  type YearAsked,
  type YearOf,
} from '@/core/setup'
import { asker } from '@/workers/ask'
import { useEdits } from '../job/provider'

const DEADLINE_MILLISECONDS = 20_000
const keep = asker<YearAsked, ReturnType<typeof yearWith>>(
  () => new Worker(new URL('../../workers/timekeeper.ts', import.meta.url), { type: 'module' }),
  DEADLINE_MILLISECONDS,
)

export const DAYS_AHEAD = 14

export interface Programming {
  readonly model: DeviceModel
  readonly clock: ClockSheet
  readonly site: Site | null
  /** As it is kept. */
  readonly kept: Program | null
  /** As it is on this page: kept, or being made. */
  readonly program: Program | null
  readonly isChanged: boolean
  /** What keeps it from being kept, each at its field. */
  readonly faults: readonly Fault[]
  /** What it does in a year; null while it is reckoned, where it cannot be, and where it needs to be known where it stands. */
  readonly year: YearOf | null
  readonly yearNumber: number
  /** The first of the days that are told one by one. */
  readonly from: number
  look(from: number): void
  lookAt(year: number): void
  /** Somebody kept another meanwhile. */
  readonly isOvertaken: boolean
  /** With the one that is being made, over what somebody kept meanwhile. */
  goOn(): void
  change(program: Program): void
  leave(): void
  keep(): void
  drop(): void
}

/** A program that is being made, and the one it was made from. */
interface Draft {
  readonly program: Program
  readonly from: Program | null
}

/** What is being made stays over a reload and a look at another page; a browser that keeps nothing begins anew. */
function useDraft(key: string) {
  const [draft, setDraft] = useState(() => draftUnder(key))
  const put = (next: Draft | null) => {
    setDraft(next)
    try {
      if (next) sessionStorage.setItem(key, JSON.stringify(next))
      else sessionStorage.removeItem(key)
    } catch {
      // It stays as long as the page does.
    }
  }
  return [draft, put] as const
}

function draftUnder(key: string): Draft | null {
  try {
    const before = sessionStorage.getItem(key)
    return before === null ? null : (JSON.parse(before) as Draft)
  } catch {
    return null
  }
}

const isSame = (one: Program | null, other: Program | null): boolean =>
  JSON.stringify(one) === JSON.stringify(other)

const today = (): number => Math.floor((Date.now() - new Date().getTimezoneOffset() * 60_000) / 86_400_000)

/** The program of the clock at a place, as it is kept and as it is being made. */
export function useProgram(
  view: BoxView,
  place: PlaceView,
  model: DeviceModel,
  clock: ClockSheet,
): Programming {
  const edits = useEdits(view.box.id)
  const { record } = view
  const placeId = place.place.id
  const row = programRowOf(record, placeId)
  const [draft, setDraft] = useDraft(`every-room/program/${record.job.id}/${placeId}`)
  const kept = row?.program ?? null
  const isChanged = draft !== null && !isSame(draft.program, kept)
  const program = isChanged ? draft.program : kept
  const { site } = record.job
  const [from, setFrom] = useState(today)
  const yearNumber = new Date(from * 86_400_000).getUTCFullYear()
  const own = useMemo(
    () => (program ? [...faultsOfProgram(program), ...faultsForClock(program, clock)] : []),
    [program, clock],
  )
  const at = program && placeFor(program, site)
  const asked: YearAsked | null =
    program && at && own.length === 0
      ? { program, place: at, year: yearNumber, seed: PROGRAM_SEED, ahead: { from, days: DAYS_AHEAD } }
      : null
  const { year, faults } = useYear(asked)
  return {
    model,
    clock,
    site,
    kept,
    program,
    isChanged,
    faults: own.length > 0 ? own : faults,
    year,
    yearNumber,
    from,
    look: setFrom,
    lookAt: next => setFrom(sameDateIn(next, from)),
    isOvertaken: isChanged && !isSame(draft.from, kept),
    goOn: () => program && setDraft({ program, from: kept }),
    change: next => setDraft({ program: next, from: draft && isChanged ? draft.from : kept }),
    leave: () => setDraft(null),
    keep: () => {
      if (!program) return
      const sent = edits.send('keep a program', [
        row
          ? edits.change('programs', row.id, { program })
          : edits.add('programs', { id: edits.newId(), placeId, program }),
      ])
      if (sent) setDraft(null)
    },
    drop: () => {
      setDraft(null)
      if (row) edits.send('drop a program', [edits.remove('programs', row.id)])
    },
  }
}

function sameDateIn(year: number, day: number): number {
  const date = new Date(day * 86_400_000)
  return Date.UTC(year, date.getUTCMonth(), Math.min(date.getUTCDate(), 28)) / 86_400_000
}

const NONE: readonly Fault[] = []

/** The last year that was reckoned stays until the next one is. */
function useYear(asked: YearAsked | null): {
  readonly year: YearOf | null
  readonly faults: readonly Fault[]
} {
  const key = asked ? JSON.stringify(asked) : null
  const [answer, setAnswer] = useState<ReturnType<typeof yearWith> | null>(null)
  useEffect(() => {
    if (key === null) return
    let wanted = true
    void keep(JSON.parse(key) as YearAsked).then(
      given => wanted && given.kind === 'answered' && setAnswer(given.value),
    )
    return () => {
      wanted = false
    }
  }, [key])
  if (key === null || !answer) return { year: null, faults: NONE }
  return answer.kind === 'year' ? { year: answer.year, faults: NONE } : { year: null, faults: answer.faults }
}
