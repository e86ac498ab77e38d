import { Link } from '../../job/link'
import type { BoxView } from '@/core/job/box-view'
import type { Line } from '@/core/panel'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'

/** In a box of several lines each has a breaker of its own: which, a meter left at it says. */
export function WhichCircuit({ view, lines }: { view: BoxView; lines: readonly Line[] }) {
  const say = useSay()

  return (
    <Part title={say`Which breaker feeds which line?`}>
      <ul className="flex flex-col gap-2">
        {lines.map(({ end }) => (
          <li key={end.end.id} className="flex flex-wrap items-center justify-between gap-2">
            <strong>{end.name}</strong>
            <Link
              href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/breaker?at=${end.end.id}`}
              className="inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-plum px-4 font-semibold text-plum"
            >{say`Hunt for its breaker`}</Link>
          </li>
        ))}
      </ul>
    </Part>
  )
}
