import { useMemo, useState } from 'react'
import { nameOfThing, whatDecides, type OfCandidate } from '@/core/check'
import { boxView, type BoxView } from '@/core/job/box-view'
import { Button } from '../../primitives/button'
import { boxWords } from '../test/question-words'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const AskedFacts = part(() => import('./asked-facts').then(module => module.AskedFacts), {
  Coming: () => <p className="min-h-19" />,
})

/** What to find out first, so that most of what is not known yet is known; said here where that can be. */
export function Decides({ view, candidates }: { view: BoxView; candidates: readonly OfCandidate[] }) {
  const say = useSay()

  // What nobody can tell now is passed over, and asked again when the page is opened anew.
  const [passedOver, setPassedOver] = useState<readonly string[]>([])
  const decider = useMemo(() => whatDecides(candidates, passedOver), [candidates, passedOver])
  const there = decider && boxView(view.record, decider.things[0].boxId)
  if (!decider || !there)
    return passedOver.length === 0 ? null : (
      <p className="flex flex-wrap items-center gap-x-4">
        {say`Nothing else would decide it.`}
        <Button look="quiet" onClick={() => setPassedOver([])}>{say`Ask again`}</Button>
      </p>
    )
  const {
    things: [first, ...others],
    decides,
    open,
  } = decider
  const besides = others.length
  return (
    <section
      aria-label={say`What would decide`}
      data-next={nameOfThing(first)}
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
      {first.asked.length > 0 && (
        <div className="w-full">
          <AskedFacts key={nameOfThing(first)} view={view} asked={first.asked} />
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <ToStage view={there} stage={first.stage} />
        <Button
          look="quiet"
          onClick={() => setPassedOver([...passedOver, nameOfThing(first)])}
        >{say`Cannot be told now`}</Button>
      </div>
    </section>
  )
}
