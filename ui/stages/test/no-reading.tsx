'use client'

import type { Identification } from '@/core/identify'
import type { Fault } from '@/core/model/result'
import { Button } from '../../primitives/button'
import { Part } from '../stage-frame'
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

/** Nothing more would tell anything: everything is proven, or why not. */
export function NothingMore({
  identification: { known, decided, ways },
  skipped,
  onAgain,
}: {
  identification: Identification
  skipped: number
  onAgain: () => void
}) {
  const say = useSay()

  const open = known.filter(({ proof }) => proof !== 'proven').length
  return (
    <Part title={open === 0 ? say`Every conductor is proven` : say`No further reading would tell more`}>
      {open > 0 && (
        <p role="status">
          {decided && ways === 0
            ? say`No way of wiring looks like what is recorded on Look. See its joints, its screws, and whether the light truly answers.`
            : decided
              ? say`${open} ${open === 1 ? say`conductor is` : say`conductors are`} not proven yet.`
              : say`There are too many ways this can be wired. Follow one cable from box to box and record where it goes.`}
        </p>
      )}
      {skipped > 0 && <Button onClick={onAgain}>{say`Ask the ${skipped} left out again`}</Button>}
    </Part>
  )
}
