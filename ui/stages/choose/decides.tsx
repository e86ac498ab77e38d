import { whatDecides, type OfCandidate } from '@/core/check'
import { boxView, type BoxView } from '@/core/job/box-view'
import { useMemo } from 'react'
import { boxWords } from '../test/question-words'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'

/** What to find out first, so that most of what is not known yet is known. */
export function Decides({ view, candidates }: { view: BoxView; candidates: readonly OfCandidate[] }) {
  const say = useSay()

  const decider = useMemo(() => whatDecides(candidates), [candidates])
  const there = decider && boxView(view.record, decider.things[0].boxId)
  if (!decider || !there) return null
  const {
    things: [first, ...others],
    decides,
    open,
  } = decider
  const besides = others.length
  return (
    <section
      aria-label={say`What would decide`}
      data-next={`${first.boxId} ${first.says}`}
      className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border-2 border-plum bg-sheet p-3 sm:px-4"
    >
      <div className="min-w-56 flex-1">
        <p className="font-bold">{first.says}</p>
        <p className="text-sm">
          {there.box.id !== view.box.id && say`In ${boxWords(there)}. `}
          {besides === 0
            ? say`It decides ${decides} of ${open} that are not known yet.`
            : say.count(
                besides,
                'With one thing more it decides {0} of {1} that are not known yet.',
                'With # things more it decides {0} of {1} that are not known yet.',
                decides,
                open,
              )}
        </p>
      </div>
      <ToStage view={there} stage={first.stage} />
    </section>
  )
}
