import { Link } from '../../job/link'
import { locksOn } from '@/core/safety'
import { Button } from '../../primitives/button'
import { capital } from '@/core/words/capital'
import { switchName } from '../../words/switch-name'
import { useLocks } from './use-locks'
import { useSay } from '../../words/use-say'

/** Locks that hang on some breakers, each taken off by who holds it. */
export function LocksOn({
  circuitIds,
  boxId,
  isTakenOffWith = false,
}: {
  circuitIds: readonly (string | null)[]
  boxId: string | null
  /** Where one alone hangs there it goes off with the switching on, beside this. */
  isTakenOffWith?: boolean
}) {
  const say = useSay()

  const { record, edits, unlock } = useLocks(boxId)
  const locks = [
    ...new Map(circuitIds.flatMap(id => locksOn(record, id)).map(each => [each.id, each])).values(),
  ]
  if (locks.length === 0) return null
  const nameOf = (id: string | null) => capital(switchName(record, id))
  return (
    <div className="flex w-full flex-col gap-2">
      <ul aria-label={say`Locks`} className="flex flex-col gap-2">
        {locks.map(each => (
          <li key={each.id} className="flex flex-wrap items-center justify-between gap-2">
            <span>
              {nameOf(each.circuitId)}: <strong>{each.keyWith}</strong>
            </span>
            {(!isTakenOffWith || locks.length > 1) && (
              <Button
                onClick={() => edits.send('take a lock off', unlock(circuitIds, each.keyWith))}
                aria-label={say`${each.keyWith}: my lock is off ${nameOf(each.circuitId)}`}
              >{say`${each.keyWith}: my lock is off`}</Button>
            )}
          </li>
        ))}
      </ul>
      <Link
        href={`/jobs/${record.job.id}/tags`}
        className="inline-flex min-h-11 items-center self-start font-semibold underline underline-offset-4"
      >{say`Print the tags`}</Link>
    </div>
  )
}
