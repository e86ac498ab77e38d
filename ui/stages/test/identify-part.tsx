'use client'

import type { BoxView } from '@/core/job/box-view'
import { useEdits } from '../../job/provider'
import { PickOne } from '../../primitives/fields'
import { Part } from '../../primitives/titled-part'
import { NextReading } from './next-reading'
import type { useIdentification } from './use-identification'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const Contradiction = part(() => import('./contradiction').then(module => module.Contradiction))
const ClampUnderLoad = part(() => import('./clamp-under-load').then(module => module.ClampUnderLoad))
const NoReading = part(() => import('./no-reading').then(module => module.NoReading))
const NothingMore = part(() => import('./no-reading').then(module => module.NothingMore), {
  Coming: () => <p className="min-h-15" />,
})
const TakeOver = part(() => import('./take-over').then(module => module.TakeOver))

/** What to read next, what cannot stand together, and what was found. */
export function IdentifyPart({
  view,
  state,
}: {
  view: BoxView
  state: ReturnType<typeof useIdentification>
}) {
  const say = useSay()

  const { views, says, current } = state
  switch (says.kind) {
    case 'thinking':
      return (
        <Part title={say`Next reading`}>
          <p role="status">{say`Thinking of every way this can be wired …`}</p>
        </Part>
      )
    case 'failed':
    case 'refused':
      return <NoReading faults={says.kind === 'refused' ? says.faults : null} onAgain={state.again} />
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
              onUnsure={state.unsure}
            />
          ) : identification.further ? (
            <Part title={say`Next reading`}>
              <p role="status">{say`Searching for wiring that nobody would think of …`}</p>
            </Part>
          ) : identification.known.length === 0 ? null : (
            <NothingMore
              view={view}
              identification={identification}
              skipped={state.skipped}
              onAgain={state.askAllAgain}
            />
          )}
          {!identification.conflict && !identification.next && !identification.further && (
            <ClampUnderLoad views={views} known={identification.known} />
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
  const say = useSay()

  const edits = useEdits(views[0]!.box.id)
  const groups = new Map(
    views.flatMap(({ places }) =>
      places
        .filter(({ found, isolates }) => found !== null && !isolates)
        .map(place => [place.group.id, place] as const),
    ),
  )
  const read = views.some(({ readings }) => readings.some(({ answer }) => answer !== null))
  const open = [...groups.values()].filter(({ group }) => group.behaves === 'not-known' || !read)
  if (open.length === 0) return null
  return (
    <Part
      title={say`Before anything is opened`}
      next={open.some(({ group }) => group.behaves === 'not-known') && 'behaves'}
    >
      {open.map(({ group, placesInGroup }) => (
        <PickOne
          key={group.id}
          label={say`Work the switch${placesInGroup > 1 ? say` at each of its ${placesInGroup} places` : ''} twice. Does ${group.name} come on and go off every time?`}
          value={group.behaves === 'not-known' ? null : group.behaves}
          options={[
            { value: 'answers', words: say`Every time` },
            { value: 'does-not', words: say`Not every time` },
          ]}
          onCommit={behaves =>
            edits.send('say how a light behaves', [edits.change('groups', group.id, { behaves })])
          }
        />
      ))}
    </Part>
  )
}
