'use client'

import dynamic from 'next/dynamic'
import type { Identification } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { Part } from '../stage-frame'
import { NextReading } from './next-reading'
import type { useIdentification } from './use-identification'

const Contradiction = dynamic(() => import('./contradiction').then(module => module.Contradiction), {
  ssr: false,
})
const TakeOver = dynamic(() => import('./take-over').then(module => module.TakeOver), { ssr: false })

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
            <Contradiction view={view} views={views} conflict={identification.conflict} busy={!current} />
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
          {identification.known.some(({ proof }) => proof === 'proven') && (
            <TakeOver views={views} identification={identification} current={current} />
          )}
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
  const read = views.some(({ readings }) => readings.some(({ answer }) => answer !== null))
  const open = [...groups.values()].filter(({ group }) => group.behaves === 'not-known' || !read)
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
