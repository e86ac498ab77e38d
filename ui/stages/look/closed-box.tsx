import { Link } from '../../job/link'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { BEFORE_OPENING, needWords } from '@/core/plan'
import { isolationOf } from '@/core/safety'
import { BackFeed } from '../../house/back-feed'
import { TakePhoto } from '../../photos/take-photo'
import { Folded } from '../../primitives/folded'
import { NeedRow } from '../safety/isolation-panel'
import { useSay } from '../../words/use-say'

/** What comes before a box that nobody has opened is: its photo, its breaker, off and locked; then plate and device. */
export function ClosedBox({ view }: { view: BoxView }) {
  const say = useSay()

  const hasPhoto = rowsWith(view.record, 'photos', 'boxId', view.box.id).some(({ kind }) => kind === 'before')
  const needs = isolationOf(view).needs.filter(({ kind }) => BEFORE_OPENING.includes(kind))
  const open = needs.length + (hasPhoto ? 0 : 1) + (view.record.job.backFeed === 'not-known' ? 1 : 0)
  return (
    <Folded
      className="rounded-xl bg-sheet px-4"
      summary={
        <summary className="min-h-11 py-3 font-bold">
          {open === 0 ? say`Ready to be opened` : say`Before the plate comes off: ${open} to do`}
        </summary>
      }
    >
      <ol className="flex flex-col gap-2 pb-4">
        {view.record.job.backFeed === 'not-known' && (
          <li>
            <BackFeed />
          </li>
        )}
        {!hasPhoto && (
          <li>
            <p className="mb-2 font-semibold">{say`A photo of the closed box`}</p>
            <TakePhoto boxId={view.box.id} kind="before" />
          </li>
        )}
        {view.feeds.length === 0 && (
          <li>
            <Link
              href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/breaker`}
              className="inline-flex min-h-11 items-center font-semibold underline underline-offset-4"
            >{say`Which breaker feeds it? Hunt for it`}</Link>
          </li>
        )}
        {needs.map((need, at) => (
          <li key={needWords(view, need)}>
            <NeedRow view={view} need={need} active={at === 0} />
          </li>
        ))}
        <li>
          <p className="font-semibold">{say`Plate off; each screw read dead; the device drawn out by its strap`}</p>
          <p className="text-sm text-soft">{say`No hand on a screw or a conductor before all is read dead. A photo of the open box before anything is moved.`}</p>
        </li>
      </ol>
    </Folded>
  )
}
