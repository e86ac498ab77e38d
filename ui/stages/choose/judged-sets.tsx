import type { LightPlace } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import type { OnPoint } from './pointed'
import { SetList } from './set-list'
import { useSets } from './use-sets'

/** The list of sets, once they are judged; until then, and where that fails, it says so. */
export function JudgedSets({
  of: [kind, id],
  ...list
}: {
  of: readonly ['groupId' | 'boxId', string]
  title: string
  view: BoxView
  places: readonly LightPlace[]
  wantedOf: readonly PlaceView[]
  onPoint: OnPoint
}) {
  const say = useSay()

  const { judgements, isCurrent, failed, again } = useSets(list.view.record, kind, id)
  if (judgements && !failed) return <SetList {...list} judgements={judgements} isCurrent={isCurrent} />
  return (
    <Part title={list.title}>
      {failed ? (
        <div role="alert" className="flex flex-wrap items-center gap-3">
          <p>{say`The sets could not be judged.`}</p>
          <Button onClick={again}>{say`Try again`}</Button>
        </div>
      ) : (
        <p role="status" className="min-h-svh">{say`Every set is held against every place …`}</p>
      )}
    </Part>
  )
}
