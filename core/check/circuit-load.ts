import { circuitsOf } from '../job/circuits'
import { tiedSets } from '../job/tied'
import type { Load } from '../model/entities'
import { rowsWith, type JobRecord } from '../model/record'
import { figure } from '../model/units'
import { against, line, type Line } from './line'
import { measured } from './measured'
import type { Question } from './place'
import { remembered } from './remembered'
import { sayIn } from '../words/say'

/** What is tried by choosing otherwise, or by another house rule, leaves whose a light is as it was. */
const TRIED: readonly string[] = ['choices', 'houseRules']

const known = new WeakMap<
  JobRecord['ends'],
  { readonly of: JobRecord; readonly by: ReadonlyMap<string, string> }
>()

/** Circuits of a job by their lights, as far as that is known; worked out once for all that is tried of it. */
function circuitByLight(record: JobRecord): ReadonlyMap<string, string> {
  const before = known.get(record.ends)
  const tables = Object.keys(record) as (keyof JobRecord)[]
  if (before && tables.every(name => TRIED.includes(name) || record[name] === before.of[name]))
    return before.by
  const by = new Map(
    tiedSets(record).flatMap(views => {
      const circuits = circuitsOf(views)
      const lights = new Set(views.flatMap(({ places }) => places.map(({ group }) => group.id)))
      return [...lights].flatMap(light => {
        const whose = circuits.ofLight(light)
        return whose.kind === 'known' ? [[light, whose.circuitId] as const] : []
      })
    }),
  )
  known.set(record.ends, { of: record, by })
  return by
}

/**
 * The current of everything that is known to hang on the breaker of a light, against its rating; long hours count more.
 * Where several breakers come into the box and none is said to be its own, only what no other could bear is told.
 */
export const breakerLines = remembered(({ place }: Question) => place, breakerLinesOf)

function breakerLinesOf(question: Question): Line[] {
  const say = sayIn(question.view.region)

  const { view, place } = question
  const { record, region } = view
  if (view.feeds.length === 0)
    return [
      line('breaker', 'not-known', say`No breaker is recorded for this box.`, 'long-hours', {
        settledBy: say`Find the breaker that feeds this box.`,
      }),
    ]
  const ampsOf = (loads: readonly Load[]) =>
    loads.reduce(
      (sum, load) => sum + measured(question, load).amps * (load.longHours ? region.continuousFactor : 1),
      0,
    )
  /** Lights of which some lamps, or all, have never been recorded or read. */
  const isUnread = (loads: readonly Load[]) =>
    loads.length === 0 || !loads.every(load => measured(question, load).known)
  const own = ampsOf(place.loads)
  const by = circuitByLight(record)
  const whose = by.get(place.group.id) ?? (view.feeds.length === 1 ? view.feeds[0]!.circuit.id : null)
  const circuit = whose === null ? undefined : record.circuits[whose]
  if (!circuit) {
    const most = Math.max(...view.feeds.map(each => each.circuit.ratedAmps))
    const over = own > most + 1e-9
    return [
      line(
        'breaker',
        over ? 'does-not-fit' : 'not-known',
        say`${figure(own, 2)} A; which breaker of ${view.feeds.map(each => each.circuit.breaker).join(', ')} feeds it is not said.`,
        'long-hours',
        over
          ? against(own, most, 'A')
          : { settledBy: say`Say at its conductors which breaker they belong to, or hunt for it.` },
      ),
    ]
  }
  const lights = [...by]
    .filter(([light, id]) => id === circuit.id && light !== place.group.id)
    .map(([light]) => ({ light, loads: rowsWith(record, 'loads', 'groupId', light) }))
  const others = lights.reduce((sum, { loads }) => sum + ampsOf(loads), 0)
  const amps = own + others
  const rated = circuit.ratedAmps
  const over = amps > rated + 1e-9
  if (isUnread(place.loads) && !over)
    return [
      line(
        'breaker',
        'not-known',
        say`${figure(amps, 2)} of ${figure(rated)} A on breaker ${circuit.breaker}, without the lamps here, which nobody has read.`,
        'long-hours',
        { settledBy: say`Record the lamps: kind, watts, count.` },
      ),
    ]
  // What hangs elsewhere counts as far as it is known; what is not is named.
  const unread = lights.flatMap(({ light, loads }) =>
    isUnread(loads) ? [`“${record.groups[light]?.name ?? light}”`] : [],
  )
  return [
    line(
      'breaker',
      over ? 'does-not-fit' : 'fits',
      [
        others > 0
          ? say`${figure(amps, 2)} of ${figure(rated)} A on breaker ${circuit.breaker}: ${figure(own, 2)} A here, ${figure(others, 2)} A of other lights.`
          : say`${figure(amps, 2)} of ${figure(rated)} A, this load on its breaker.`,
        ...(unread.length > 0 ? [say`Not in it, since nobody has read it: ${unread.join(', ')}.`] : []),
      ].join(' '),
      'long-hours',
      against(amps, rated, 'A'),
    ),
  ]
}
