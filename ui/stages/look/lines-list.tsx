'use client'

import { Link } from '../../job/link'
import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { sharersOf } from '@/core/model/ties'
import { linesIn } from '@/core/panel'
import { circuitsTied } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { CheckField } from '../../primitives/fields'
import { useSay } from '../../words/use-say'

/** The lines that meet in a box, each with the breaker it was found on, or with the hunt for it. */
export function LinesList({ view }: { view: BoxView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const lines = useMemo(() => linesIn(view), [view])
  if (lines.length < 2) return null
  const { record } = view
  const circuits = [
    ...new Map(lines.flatMap(({ circuit }) => (circuit ? [[circuit.id, circuit]] : []))).values(),
  ]
  const [first] = circuits
  const sharing = first ? [first, ...sharersOf(record, first)].map(({ id }) => id) : []
  const isShared = circuits.length > 1 && circuits.every(({ id }) => sharing.includes(id))
  // Neutrals of several lines in one joint belong to all of them, or to one that borrows the other’s.
  const meet = view.joints.some(({ id }) => {
    const cables = new Set(
      view.ends
        .filter(({ end }) => end.jointId === id && end.role === 'neutral')
        .map(({ cable }) => cable.id),
    )
    return lines.filter(({ hots }) => hots.some(({ cable }) => cables.has(cable.id))).length > 1
  })
  return (
    <div className="rounded-lg border border-rule p-3">
      <p className="text-sm font-semibold">{say`Lines in this box`}</p>
      <ul aria-label={say`Lines in this box`} className="flex flex-col divide-y divide-rule">
        {lines.map(({ end, circuit }) => (
          <li key={end.end.id} className="flex flex-wrap items-center justify-between gap-2 py-1">
            <span>
              <strong>{end.name}</strong>{' '}
              {circuit ? (
                say`is on breaker ${circuit.breaker}`
              ) : (
                <span className="hazard px-2 font-semibold">{say`not found yet`}</span>
              )}
            </span>
            <Link
              href={`/jobs/${record.job.id}/boxes/${view.box.id}/breaker?at=${end.end.id}`}
              className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
            >
              {circuit ? say`Hunt again` : say`Hunt for its breaker`}
            </Link>
          </li>
        ))}
      </ul>
      {meet && circuits.length > 1 && (
        <CheckField
          label={say`Breakers ${circuits.map(each => each.breaker).join(say` and `)} share one neutral`}
          value={isShared}
          onCommit={shared =>
            edits.send(
              'edit a circuit',
              circuitsTied(
                edits,
                record,
                'sharedNeutralWithId',
                shared ? circuits.map(({ id }) => id) : [circuits[0]!.id],
              ),
            )
          }
        />
      )}
    </div>
  )
}
