import type { BoxView, EndView } from '../job/box-view'
import type { Breaker } from '../model/entities'
import type { Question } from '../identify'
import { isApart, mayReturnIn, toClamp, toReadParted } from './apart'
import { isolationOf } from './isolation'
import { apartBehind, standOf } from './stand'

/** What comes before a reading, in the order it is done. */
export type ApproachStep =
  | { readonly kind: 'prove-tester' }
  | { readonly kind: 'prove-reference' }
  | { readonly kind: 'make-dead'; readonly view: BoxView }
  | { readonly kind: 'clamp'; readonly view: BoxView; readonly end: EndView }
  | { readonly kind: 'take-apart'; readonly view: BoxView }
  /** Out of its joint, and not yet read to ground: a neutral that is open on its way shows it only now. */
  | { readonly kind: 'read-parted'; readonly view: BoxView; readonly end: EndView }
  | { readonly kind: 'put-together'; readonly view: BoxView }
  /** Apart, and so that the power may come on: capped and covered, or somebody stands at it. */
  | { readonly kind: 'make-safe'; readonly view: BoxView }
  | { readonly kind: 'switch-on'; readonly circuits: readonly (Breaker | null)[] }

/**
 * What stands between a box as it is and a reading in it. Conductors are only moved in a dead box; nothing is
 * read live before the tester and the reference were proved, and before every box it needs apart is apart; a
 * dead reading wants every box it touches read dead.
 */
export function approachTo(here: BoxView, views: readonly BoxView[], question: Question): ApproachStep[] {
  const wanted = views.filter(({ box }) => question.apart.includes(box.id))
  const toOpen = wanted.filter(view => !isApart(view))
  const toClose = views.filter(view => !wanted.includes(view) && isApart(view))
  const toMove = [...toOpen, ...toClose]
  const mustBeDead = question.power === 'off' ? [...new Set([...wanted, ...toMove])] : toMove
  const parted = views.filter(view => isApart(view) && isolationOf(view).stillOn.length === 0)
  const steps: ApproachStep[] = [
    ...parted.flatMap(view => toReadParted(view).map(end => ({ kind: 'read-parted', view, end }) as const)),
    ...mustBeDead.filter(view => !isolationOf(view).dead).map(view => ({ kind: 'make-dead', view }) as const),
    ...toMove.flatMap(view => toClamp(view).map(end => ({ kind: 'clamp', view, end }) as const)),
    ...toClose.map(view => ({ kind: 'put-together', view }) as const),
    ...toOpen.flatMap((view): ApproachStep[] => [
      { kind: 'take-apart', view },
      ...view.joints
        .flatMap(({ id }) => mayReturnIn(view, id))
        .map(end => ({ kind: 'read-parted', view, end }) as const),
    ]),
  ]
  if (question.power === 'off') return steps
  const { stillOn, toSwitchOff } = isolationOf(here)
  const proved = (purpose: 'tester' | 'reference') => here.readings.some(each => each.purpose === purpose)
  const isOnNext = steps.length > 0 || stillOn.length < toSwitchOff.length
  return [
    ...(steps.length === 0 && !proved('tester') ? [{ kind: 'prove-tester' } as const] : []),
    ...(steps.length === 0 && !proved('reference') ? [{ kind: 'prove-reference' } as const] : []),
    ...steps,
    ...(isOnNext
      ? [
          ...bareWhenOn(here, { wanted, toClose, circuits: toSwitchOff }).map(
            view => ({ kind: 'make-safe', view }) as const,
          ),
          { kind: 'switch-on', circuits: toSwitchOff } as const,
        ]
      : []),
  ]
}

/** Boxes that would be apart and bare when the power comes on: those of this reading, and others behind the same breakers. */
function bareWhenOn(
  { record }: BoxView,
  {
    wanted,
    toClose,
    circuits,
  }: {
    readonly wanted: readonly BoxView[]
    readonly toClose: readonly BoxView[]
    readonly circuits: readonly (Breaker | null)[]
  },
): BoxView[] {
  const here = wanted.filter(view => !['safe', 'attended'].includes(standOf(view)))
  const known = new Set([...wanted, ...toClose].map(({ box }) => box.id))
  const others = circuits.flatMap(circuit => apartBehind(record, circuit?.id ?? null))
  return [
    ...here,
    ...new Map(
      others
        .filter(view => !known.has(view.box.id) && standOf(view) === 'bare')
        .map(view => [view.box.id, view]),
    ).values(),
  ]
}
