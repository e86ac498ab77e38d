'use client'

import { placeName } from '@/core/job/place-name'
import { Link } from '../../job/link'
import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { placeParted } from '@/core/recording'
import { deviceNamed } from '@/core/model/trade'
import { useEdits, useTrade } from '../../job/provider'
import { BYPASSES, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { Button } from '../../primitives/button'
import { CheckField, PickOne } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { LAMP_WORDS, plain } from '../../words'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const SameLight = part(() => import('./same-light').then(module => module.SameLight))

/** The other places that work the same light, and how to say that there are more of them, or fewer. */
export function LightOfPlace({ view, place }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const trade = useTrade()
  const [joining, setJoining] = useState(false)
  const { record } = view
  const others = rowsWith(record, 'places', 'groupId', place.group.id).filter(
    ({ id }) => id !== place.place.id,
  )
  const model = deviceNamed(trade, place.found?.modelId ?? '')
  const isolated = others.length > 0 && (
    <div>
      {rowsWith(record, 'loads', 'groupId', place.group.id).map(({ id, name, kind, isolatedAtId }) => (
        <CheckField
          key={id}
          label={say`Works nothing: it isolates ${name} (${say(LAMP_WORDS[kind])}), all poles at once`}
          value={isolatedAtId === place.place.id}
          onCommit={isHere =>
            edits.send('say what is isolated', [
              edits.change('loads', id, { isolatedAtId: isHere ? place.place.id : null }),
            ])
          }
        />
      ))}
    </div>
  )
  const isShown = place.isolates || model?.isolates !== undefined
  return (
    <div className="flex flex-col gap-2">
      {isShown && isolated}
      {others.length > 0 && (
        <>
          <p className="text-sm font-semibold">
            {place.isolates ? say`Worked from` : say`Worked from here, and from`}
          </p>
          <ul className="flex flex-wrap gap-2">
            {others.map(other => (
              <li key={other.id}>
                <Link
                  href={`/jobs/${record.job.id}/boxes/${other.boxId}/look`}
                  className="inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-rule px-3 font-semibold underline decoration-rule underline-offset-4"
                >
                  {placeName(record, other)}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => setJoining(true)}>{say`Works the same light as …`}</Button>
        {others.length > 0 && (
          <Button
            onClick={() =>
              edits.send(
                'part a light',
                placeParted(edits, record, place.place.id, say`${view.room.name} light`).edits,
              )
            }
          >{say`It works a light of its own`}</Button>
        )}
      </div>
      <Folded
        summary={
          <summary className="min-h-11 py-2 font-semibold">{say`Its places, and how it answers`}</summary>
        }
      >
        <div className="flex flex-col gap-3">
          {!isShown && isolated}
          <PickOne
            label={say`Every place that works it is recorded`}
            value={place.group.everyPlace}
            options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={everyPlace =>
              edits.send('join lights', [edits.change('groups', place.group.id, { everyPlace })])
            }
          />
          <PickOne
            label={say`Worked from each place, it comes on and goes off`}
            value={place.group.behaves}
            options={[
              { value: 'answers', words: say`Every time` },
              { value: 'does-not', words: say`Not every time` },
              { value: 'not-known', words: say`Not tried` },
            ]}
            onCommit={behaves =>
              edits.send('say how a light behaves', [edits.change('groups', place.group.id, { behaves })])
            }
          />
          <PickOne
            label={say`A bypass beside its lamps`}
            value={place.group.bypass}
            options={BYPASSES.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={bypass =>
              edits.send('plan a bypass', [edits.change('groups', place.group.id, { bypass })])
            }
          />
        </div>
      </Folded>
      {joining && <SameLight view={view} place={place} onClose={() => setJoining(false)} />}
    </div>
  )
}
