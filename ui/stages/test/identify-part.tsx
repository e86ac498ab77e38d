'use client'

import { useMemo } from 'react'
import {
  basisOf,
  type Answer,
  type Conflict,
  type Identification,
  type Question,
  readingFor,
} from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { newReading } from '../safety/isolation-panel'
import { Part } from '../stage-frame'
import { NextReading } from './next-reading'
import { answerWords, boxWords, wordsOf } from './question-words'
import type { useIdentification } from './use-identification'

/** What to read next, what cannot stand together, and what was found. */
export function IdentifyPart({
  view,
  state,
}: {
  view: BoxView
  state: ReturnType<typeof useIdentification>
}) {
  const { views, says, current } = state
  switch (says.kind) {
    case 'thinking':
      return (
        <Part title="Next reading">
          <p role="status">Thinking of every way this can be wired …</p>
        </Part>
      )
    case 'failed':
      return (
        <Part title="Next reading">
          <p className="hazard px-3">The reckoning gave no answer. What was recorded is safe.</p>
          <Button onClick={state.again}>Reckon again</Button>
        </Part>
      )
    case 'refused':
      return (
        <Part title="Next reading">
          <p>No reading can be proposed from what is recorded on Look:</p>
          <ul className="list-disc pl-5">
            {says.faults.map(({ path, message }) => (
              <li key={path}>{message}</li>
            ))}
          </ul>
        </Part>
      )
    case 'identified': {
      const { identification } = says
      return (
        <>
          <LightsAnswer views={views} />
          {identification.conflict ? (
            <Together view={view} views={views} conflict={identification.conflict} busy={!current} />
          ) : identification.next ? (
            <NextReading
              view={view}
              views={views}
              next={identification.next}
              busy={!current}
              onSkip={state.skip}
            />
          ) : (
            <NothingMore
              identification={identification}
              skipped={state.skipped}
              onAgain={state.askAllAgain}
            />
          )}
          <TakeOver views={views} identification={identification} current={current} />
        </>
      )
    }
  }
}

/** The shortest test of all: work every place and look at the light. */
function LightsAnswer({ views }: { views: readonly BoxView[] }) {
  const edits = useEdits(views[0]!.box.id)
  const groups = new Map(
    views.flatMap(({ places }) =>
      places.filter(({ found }) => found !== null).map(place => [place.group.id, place] as const),
    ),
  )
  const open = [...groups.values()].filter(({ group }) => group.behaves === 'not-known')
  if (open.length === 0) return null
  return (
    <Part title="Before anything is opened">
      {open.map(({ group, placesInGroup }) => (
        <PickOne
          key={group.id}
          label={`Work the switch${placesInGroup > 1 ? ` at each of its ${placesInGroup} places` : ''} twice. Does ${group.name} come on and go off every time?`}
          value={group.behaves === 'not-known' ? null : group.behaves}
          options={[
            { value: 'answers', words: 'Every time' },
            { value: 'does-not', words: 'Not every time' },
          ]}
          onCommit={behaves =>
            edits.send('say how a light behaves', [edits.change('groups', group.id, { behaves })])
          }
        />
      ))}
    </Part>
  )
}

const USUAL_CAUSES = [
  'A switch stood otherwise than thought, or was worked in between.',
  'Another circuit comes into this box.',
  'A lead touched the neighbouring conductor.',
  'The meter was on its high-impedance range, and showed a phantom voltage.',
  'A switch is bridged, or worn so that it does not open.',
]

/** Readings that cannot all be true, and the one to take again first. */
function Together({
  view,
  views,
  conflict,
  busy,
}: {
  view: BoxView
  views: readonly BoxView[]
  conflict: Conflict
  busy: boolean
}) {
  const { repeat } = conflict
  const boxOf = (id: string) => view.record.readings[id]?.boxId ?? view.box.id
  const edits = useEdits(boxOf(repeat.id))
  const taken = (question: Question, answer: Answer, value: number) =>
    edits.send('take a reading', [
      edits.add('readings', newReading(boxOf(repeat.id), readingFor(question, answer, value, views.length))),
      // The new one stands instead of one that was misread; the same again bears it out.
      ...(answer === repeat.answer ? [] : [edits.remove('readings', repeat.id)]),
    ])
  return (
    <>
      <Part title="Stop: these readings cannot stand together">
        <ul className="flex flex-col gap-1">
          {conflict.readings.map(({ id, question, answer }) => {
            const words = wordsOf(question, views)
            return (
              <li key={id} className="hazard bg-paper px-3 py-1">
                {words.from} to {words.to}
                {words.worked ? `, working ${words.worked}` : ''}, {words.stand}:{' '}
                <strong>{answerWords(answer, view.region)}</strong>
              </li>
            )
          })}
        </ul>
        <p className="font-semibold">Usual causes</p>
        <ul className="list-disc pl-5">
          {USUAL_CAUSES.map(cause => (
            <li key={cause}>{cause}</li>
          ))}
        </ul>
        {!conflict.explained && (
          <p>No single misreading explains them. Look at the box again; where it stays so, get help.</p>
        )}
      </Part>
      <NextReading
        key={repeat.id}
        view={view}
        views={views}
        next={{ question: repeat.question, minutes: 1 }}
        busy={busy}
        title="Read this again first"
        onTaken={taken}
        onSkip={() => edits.send('strike out a reading', [edits.remove('readings', repeat.id)])}
      />
    </>
  )
}

function NothingMore({
  identification: { known, decided },
  skipped,
  onAgain,
}: {
  identification: Identification
  skipped: number
  onAgain: () => void
}) {
  const open = known.filter(({ proof }) => proof !== 'proven').length
  return (
    <Part title={open === 0 ? 'Every conductor is proven' : 'No further reading would tell more'}>
      {open > 0 && (
        <p role="status">
          {decided
            ? `${open} ${open === 1 ? 'conductor is' : 'conductors are'} not proven yet.`
            : 'There are too many ways this can be wired. Follow one cable from box to box and record where it goes.'}
        </p>
      )}
      {skipped > 0 && <Button onClick={onAgain}>Ask the {skipped} left out again</Button>}
    </Part>
  )
}

/** Found roles go into the record in one step, with what they rest on. */
function TakeOver({
  views,
  identification,
  current,
}: {
  views: readonly BoxView[]
  identification: Identification
  current: boolean
}) {
  const edits = useEdits(views[0]!.box.id)
  const { record, box } = views[0]!
  const basis = useMemo(() => basisOf(record, box.id), [record, box.id])
  const proven = identification.known.filter(({ proof, endId, candidates: [first] }) => {
    if (proof !== 'proven' || !first) return false
    const finding = rowsWith(record, 'findings', 'endId', endId)[0]
    return record.ends[endId]?.role !== first.role || finding?.role !== first.role || finding.basis !== basis
  })
  if (proven.length === 0) return null
  const take = () =>
    edits.send(
      'set a role',
      proven.flatMap(({ endId, candidates: [first], lightId }) => {
        const end = record.ends[endId]!
        const fields = {
          ...(end.role === first!.role ? {} : { role: first!.role }),
          ...(lightId !== null && end.roleGroupId !== lightId ? { roleGroupId: lightId } : {}),
        }
        return [
          ...(Object.keys(fields).length > 0 ? [edits.change('ends', endId, fields)] : []),
          ...rowsWith(record, 'findings', 'endId', endId).map(({ id }) => edits.remove('findings', id)),
          edits.add('findings', { id: newId(), endId, role: first!.role, proof: 'proven', basis }),
        ]
      }),
    )
  const places = [
    ...new Set(
      proven.flatMap(({ endId }) => views.find(({ ends }) => ends.some(({ end }) => end.id === endId)) ?? []),
    ),
  ]
  return (
    <Part title={`${proven.length} ${proven.length === 1 ? 'conductor' : 'conductors'} proven`}>
      <p>
        {proven
          .map(
            ({ endId }) => views.flatMap(({ ends }) => ends).find(({ end }) => end.id === endId)?.name ?? '',
          )
          .join(', ')}
        {views.length > 1 ? ` in ${places.map(boxWords).join('; ')}` : ''}
      </p>
      <Button look="main" disabled={!current} onClick={take}>
        Take {proven.length === 1 ? 'this role' : 'these roles'} over
      </Button>
    </Part>
  )
}
