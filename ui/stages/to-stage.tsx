import type { BoxView } from '@/core/job/box-view'
import type { Stage } from '@/core/model/vocabulary'
import { Link } from '../job/link'
import { MAIN_LINK_LOOK } from '../primitives/link-look'
import { STAGE_WORDS } from '../words'
import { useSay } from '../words/use-say'

/** Leads to another stage of the same box; on to it where this one is done. */
export function ToStage({ view, stage, on = false }: { view: BoxView; stage: Stage; on?: boolean }) {
  const say = useSay()

  const name = say(STAGE_WORDS[stage].name)
  return (
    <Link href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/${stage}`} className={MAIN_LINK_LOOK}>
      {on ? say`On to ${name}` : say`To ${name}`}
    </Link>
  )
}
