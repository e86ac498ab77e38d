import type { BoxView } from '../job/box-view'
import type { StepName } from '../model/step-name'
import { isPartedIn } from '../safety'
import type { Step } from './step'

/** What is made with the same hands in the same box, and seen to be right by one look at it. */
const SEEN_AT_ONCE: readonly StepName['kind'][] = ['joint', 'land', 'cap', 'cap-lead', 'tug']
/** More than this nobody takes in at once. */
const AT_ONCE = 6

/**
 * What is done next on a box: one step, or several that one look confirms, none of them held back; empty once all is
 * done. Of conductors let apart together every one is read before the tester is proved once more for all of them.
 */
export function nextSteps(view: BoxView, steps: readonly Step[]): readonly Step[] {
  const open = steps.filter(({ done }) => !done)
  const [first] = open
  if (!first) return []
  if (first.name.kind === 'tester-again') {
    const unread = open.find(({ name }) => name.kind === 'parted' && isApart(view, name.endId))
    return [unread ?? first]
  }
  const isSeen = ({ name, doneBy, holds }: Step) =>
    doneBy === 'tick' && holds.length === 0 && SEEN_AT_ONCE.includes(name.kind)
  const until = open.findIndex(step => !isSeen(step))
  const seen = open.slice(0, Math.min(until < 0 ? open.length : until, AT_ONCE))
  return seen.length > 0 ? seen : [first]
}

const isApart = (view: BoxView, endId: string): boolean => {
  const jointId = view.ends.find(({ end }) => end.id === endId)?.end.jointId ?? null
  return jointId !== null && isPartedIn(view, jointId)
}
