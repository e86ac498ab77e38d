'use client'

import { Link } from '../job/link'
import type { BoxView } from '@/core/job/box-view'
import type { Fault } from '@/core/model/result'
import { useSay } from '../words/use-say'

/** What keeps it from being worked, and where to go for it. */
export function NotYet({ view, faults }: { view: BoxView; faults: readonly Fault[] }) {
  const say = useSay()

  const { record } = view
  const roles = faults.filter(each => each.code === 'no-role').length
  const boxes = new Set(
    faults.flatMap(each => record.ends[/^\/ends\/([^/]+)\//.exec(each.path)?.[1] ?? '']?.boxId ?? []),
  )
  return (
    <div className="mt-6 rounded-xl border-2 border-dashed border-rule p-6">
      <p className="font-semibold">
        {roles > 0
          ? say`It cannot be worked yet: ${roles} ${say.count(roles, 'conductor has', 'conductors have')} no role.`
          : say`It cannot be worked yet.`}
      </p>
      <ul className="mt-2 flex flex-col gap-1">
        {faults
          .filter(each => each.code !== 'no-role')
          .map(each => (
            <li key={each.path}>{each.message}</li>
          ))}
        {[...boxes].map(id => (
          <li key={id}>
            <Link
              className="inline-flex min-h-11 items-center underline underline-offset-4"
              href={`/jobs/${record.job.id}/boxes/${id}/test`}
            >
              {say`Say what each wire is: `}
              {record.rooms[record.boxes[id]!.roomId]?.name}, {record.boxes[id]!.name}
            </Link>
          </li>
        ))}
      </ul>
    </div>
  )
}
