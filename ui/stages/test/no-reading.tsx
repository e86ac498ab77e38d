'use client'

import type { Identification } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import type { Fault } from '@/core/model/result'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'

/** Why no reading can be proposed: what is missing on Look, or that the reckoning gave no answer. */
export function NoReading({ faults, onAgain }: { faults: readonly Fault[] | null; onAgain: () => void }) {
  const say = useSay()

  return (
    <Part title={say`Next reading`}>
      {faults ? (
        <>
          <p>{say`No reading can be proposed from what is recorded on Look:`}</p>
          <ul className="list-disc pl-5">
            {faults.map(({ path, message }) => (
              <li key={path}>{message}</li>
            ))}
          </ul>
        </>
      ) : (
        <>
          <p className="hazard px-3">{say`The calculation gave no answer. What was recorded is safe.`}</p>
          <Button onClick={onAgain}>{say`Try again`}</Button>
        </>
      )}
    </Part>
  )
}

/** Nothing more would tell anything: everything is proven, or why not, and where it goes on all the same. */
export function NothingMore({
  view,
  identification: { known, decided, ways },
  skipped,
  onAgain,
}: {
  view: BoxView
  identification: Identification
  skipped: number
  onAgain: () => void
}) {
  const say = useSay()

  const open = known.filter(({ proof }) => proof !== 'proven').length
  return (
    <Part
      title={open === 0 ? say`Every conductor is proven` : say`No further reading would tell more`}
      next={open > 0 && 'nothing-more'}
    >
      {open > 0 && (
        <p role="status">
          {decided && ways === 0
            ? say`No way of wiring looks like what is recorded on Look. See its joints, its screws, and whether the light truly answers.`
            : decided
              ? say.count(
                  open,
                  'One conductor is not proven. Choose says what needs it to be.',
                  '# conductors are not proven. Choose says what needs them to be.',
                )
              : say`There are too many ways this can be wired. Follow one cable from box to box and record where it goes.`}
        </p>
      )}
      {open > 0 && skipped === 0 && <ToStage view={view} stage={decided && ways > 0 ? 'choose' : 'look'} />}
      {skipped > 0 && <Button onClick={onAgain}>{say`Ask the ${skipped} left out again`}</Button>}
    </Part>
  )
}
