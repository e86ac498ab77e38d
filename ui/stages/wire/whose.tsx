'use client'

import { Link } from '../../job/link'
import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import { rowsOf } from '@/core/model/record'
import { circuitsTied } from '@/core/recording'
import type { Unsaid } from '@/core/route'
import { useEdits } from '../../job/provider'
import { PickOne } from '../../primitives/fields'
import { UnworkedQuestion } from '../unworked-question'
import { useBroughtUp } from '../../primitives/use-brought-up'
import { useSay } from '../../words/use-say'

const SHARED = 'shared'

/** What is asked before anything is joined, one question at a time: whose a conductor is, what feeds a light. */
export function Whose({ view, unsaid }: { view: BoxView; unsaid: readonly Unsaid[] }) {
  const say = useSay()

  const ref = useBroughtUp<HTMLDivElement>('end')
  const [first] = unsaid
  if (!first) return null
  return (
    <div ref={ref} className="flex scroll-mb-3 flex-col gap-2 rounded-xl border-2 border-plum bg-sheet p-3">
      <Question key={keyOf(first)} view={view} asked={first} />
      <p className="text-sm text-soft">
        {unsaid.length > 1 && say`${unsaid.length - 1} more to say. `}
        {first.kind !== 'unworked' && (
          <>
            {say`Not sure? `}
            <Link
              className="inline-flex min-h-11 items-center underline underline-offset-4"
              href={`/jobs/${view.record.job.id}/boxes/${boxOf(first, view)}/breaker`}
            >{say`Hunt for the breaker`}</Link>
          </>
        )}
      </p>
    </div>
  )
}

const keyOf = (asked: Unsaid): string =>
  'seen' in asked ? `${asked.kind} ${asked.seen.each.end.id}` : `${asked.kind} ${asked.groupId}`

const boxOf = (asked: Unsaid, view: BoxView): string =>
  'seen' in asked ? asked.seen.view.box.id : view.box.id

function Question({ view, asked }: { view: BoxView; asked: Unsaid }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { record } = view
  const put = (ids: readonly string[], fields: Parameters<typeof edits.change<'ends'>>[2]) =>
    edits.send(
      'set a role',
      ids.map(id => edits.change('ends', id, fields)),
    )
  // Those known to feed here come first; that no other is listed does not say that none does.
  const breakers = (among: readonly Breaker[]) =>
    [...rowsOf(record, 'circuits')]
      .sort((a, b) => Number(among.includes(b)) - Number(among.includes(a)))
      .map(({ id, breaker: name, label }) => ({ value: id, words: label ? `${name}: ${label}` : name }))
  const place = (of: BoxView) => (of.box.id === view.box.id ? '' : say` in ${of.room.name}, ${of.box.name}`)
  switch (asked.kind) {
    case 'circuit-of-end': {
      const { each, view: there } = asked.seen
      return (
        <PickOne
          label={say`Which breaker does ${each.name}${place(there)} belong to?`}
          value={null}
          options={breakers(asked.among)}
          onCommit={roleCircuitId => put([each.end.id], { roleCircuitId })}
        />
      )
    }
    case 'light-of-end': {
      const { each, view: there } = asked.seen
      return (
        <PickOne
          label={say`Which light does ${each.name}${place(there)} lead to?`}
          value={null}
          options={there.places.map(({ group }) => ({ value: group.id, words: group.name }))}
          onCommit={roleGroupId => put([each.end.id], { roleGroupId })}
        />
      )
    }
    case 'circuit-of-light':
      if (asked.loads.length === 0)
        return (
          <p>{say`No conductor here leads to ${record.groups[asked.groupId]?.name ?? say`the light`}. Say in Test which one does, or which hot is for it.`}</p>
        )
      return (
        <PickOne
          label={say`Which breaker feeds ${record.groups[asked.groupId]?.name ?? say`it`}?`}
          value={null}
          options={breakers(asked.among)}
          onCommit={roleCircuitId =>
            put(
              asked.loads.map(({ each }) => each.end.id),
              { roleCircuitId },
            )
          }
        />
      )
    case 'sharing': {
      const { each, view: there } = asked.seen
      const names = asked.circuits.map(id => record.circuits[id]?.breaker ?? id)
      return (
        <PickOne
          label={say`Whose neutral is ${each.name}${place(there)}, beside the hots of ${names.join(say` and `)}?`}
          value={null}
          options={[
            { value: SHARED, words: say`Of ${names.join(say` and `)} together` },
            ...asked.circuits.map((id, at) => ({ value: id, words: say`Of ${names[at]} alone` })),
          ]}
          onCommit={id =>
            id === SHARED
              ? edits.send(
                  'edit a circuit',
                  circuitsTied(edits, record, 'sharedNeutralWithId', asked.circuits),
                )
              : put([each.end.id], { roleCircuitId: id })
          }
        />
      )
    }
    case 'unworked':
      return <UnworkedQuestion view={view} groupId={asked.groupId} />
    case 'at-odds':
      return (
        <p>{say`${record.groups[asked.groupId]?.name ?? say`A light`} would be fed from one breaker and return to another. Say at its conductors, in Test, whose each is; where they are so indeed, its neutral is another circuit’s and has to be put right first.`}</p>
      )
  }
}
