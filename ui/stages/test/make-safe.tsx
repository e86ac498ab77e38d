'use client'

import type { BoxView } from '@/core/job/box-view'
import { ATTENDED, holdsBeforeStanding, isolationOf, MADE_SAFE } from '@/core/safety'
import { Button } from '../../primitives/button'
import { Row } from './step-row'
import { boxWords } from './question-words'
import { MAIN_LINK_LOOK } from '../../primitives/link-look'
import { useSay } from '../../words/use-say'

/** A box that is apart while the power comes on: capped and covered, or somebody stands at it. */
export function MakeSafe({
  here,
  view,
  active,
  onTick,
}: {
  here: BoxView
  view: BoxView
  active: boolean
  onTick: (stepKey: string) => void
}) {
  const say = useSay()

  const own = here.box.id === view.box.id
  return (
    <Row says={say`${boxWords(view)} is not left bare when the power comes on`} active={active}>
      {isolationOf(view).dead ? (
        <>
          <p className="w-full">{say`Each of its ${view.ends.length} conductors in a cap of its own, with an opening for the probe; then cover the opening.`}</p>
          <Button look="main" onClick={() => onTick(MADE_SAFE)}>{say`Capped and covered`}</Button>
        </>
      ) : (
        <a
          href={own ? '#make-it-dead' : `/jobs/${view.record.job.id}/boxes/${view.box.id}/test#make-it-dead`}
          className={MAIN_LINK_LOOK}
        >{say`Make it dead, then cap it`}</a>
      )}
      {holdsBeforeStanding(view, ATTENDED).length === 0 && (
        <Button onClick={() => onTick(ATTENDED)}>{say`Somebody stands at it until it is off`}</Button>
      )}
    </Row>
  )
}
