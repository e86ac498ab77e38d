'use client'

import { Link } from '../job/link'
import { useSearchParams } from 'next/navigation'
import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { huntFor, linesIn, type Hunt, type HuntCandidate, type Line, type Watched } from '@/core/panel'
import { NoSuchBox } from '../job/no-such-box'
import { useBox, useEdits } from '../job/provider'
import { Button } from '../primitives/button'
import { PickOne, TextField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { Part } from '../primitives/titled-part'
import { LiveStrip } from '../stages/stage-frame'
import { WorkFrame } from '../primitives/work-frame'
import { plain } from '../words'
import { capital } from '@/core/words/capital'
import { HuntFound } from './hunt-found'
import { HuntPicture } from './hunt-picture'
import { HuntMain } from './hunt-main'
import { HuntTry } from './hunt-try'
import { breakerName, METER_WORDS, reasonWords, stayed } from './hunt-words'
import { useTake } from './use-take'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { RowContext } from '../primitives/row-context'

/** Which breaker feeds this box: a light is left on, and breakers are tried in the likeliest order. */
export function HuntPage({ boxId }: { boxId: string }) {
  const view = useBox(boxId)
  if (!view) return <NoSuchBox />
  return <HuntOfBox key={boxId} view={view} />
}

const METER = 'meter'

/** A place, a line of the box, or a conductor that is not named; the first light unless something was chosen. */
function watchedIn(
  view: BoxView,
  lines: readonly Line[],
  chosen: string | null,
): { readonly watched: Watched; readonly what: string } {
  const what = chosen ?? view.places[0]?.place.id ?? METER
  if (lines.some(({ end }) => end.end.id === what)) return { watched: { placeId: null, endId: what }, what }
  if (view.places.some(({ place }) => place.id === what))
    return { watched: { placeId: what, endId: null }, what }
  return { watched: { placeId: null, endId: null }, what: METER }
}

function HuntOfBox({ view }: { view: BoxView }) {
  const say = useSay()

  const asked = useSearchParams().get('at')
  const lines = useMemo(() => linesIn(view), [view])
  const [chosen, setChosen] = useState<string | null>(asked)
  const { watched, what } = watchedIn(view, lines, chosen)
  const { placeId, endId } = watched
  const hunt = useMemo(() => huntFor(view, { placeId, endId }), [view, placeId, endId])
  const [taken, setTaken] = useState<string | null>(null)
  const next = hunt.toTry.find(({ circuit }) => circuit.id === taken) ?? hunt.toTry[0]
  const take = useTake(view, watched)
  const seen = placeId
    ? (view.places.find(({ place }) => place.id === placeId)?.group.name ?? say`the light`)
    : METER_WORDS
  return (
    <>
      <div className="flex items-start justify-between gap-x-3 pt-1">
        <h1 className="flex min-w-0 flex-wrap items-baseline gap-x-2 pt-2 text-lg sm:text-xl">
          {say`Which breaker? `}
          <span className="font-normal">
            {view.room.name}, {view.box.name}
          </span>
        </h1>
        <Link
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/look`}
          data-chrome
          className="inline-flex min-h-11 shrink-0 items-center font-semibold underline decoration-rule underline-offset-4"
        >{say`To the box`}</Link>
      </div>
      <LiveStrip view={view} />
      <WorkFrame
        at={`hunt-${view.box.id}`}
        name={say`The hunt`}
        columns="wide:grid-cols-[minmax(0,0.8fr)_minmax(0,1fr)]"
        picture={<HuntPicture view={view} next={hunt.found === null ? (next ?? null) : null} />}
      >
        {hunt.found === null && !hunt.fedFromElsewhere && next && (
          <HuntTry key={next.circuit.id} view={view} candidate={next} seen={seen} onTake={take} />
        )}
        {hunt.found === null && (!next || hunt.fedFromElsewhere) && (
          <HuntMain view={view} hunt={hunt} seen={seen} onTake={shows => take(null, shows, false)} />
        )}
        {hunt.found !== null && <HuntFound view={view} hunt={hunt} seen={seen} />}
        <Part title={say`What is watched`}>
          <PickOne
            label={say`What is watched`}
            labelHidden
            value={what}
            options={[
              ...view.places.map(({ place, group }) => ({
                value: place.id,
                words: say`${group.name}, left on`,
              })),
              ...lines.map(({ end }) => ({
                value: end.end.id,
                words: say`A meter at ${end.name}`,
              })),
              { value: METER, words: say`A meter at another conductor that reads live` },
            ]}
            onCommit={setChosen}
          />
        </Part>
        {hunt.found === null && hunt.toTry.length > 0 && (
          <InOrder hunt={hunt} next={next ?? null} onChoose={setTaken} />
        )}
        <RuledOut view={view} hunt={hunt} seen={seen} />
        <Tries view={view} hunt={hunt} />
      </WorkFrame>
    </>
  )
}

/** All that are left, with how likely each is; another can be tried first. */
function InOrder({
  hunt,
  next,
  onChoose,
}: {
  hunt: Hunt
  next: HuntCandidate | null
  onChoose: (circuitId: string) => void
}) {
  const say = useSay()

  return (
    <Part title={say`Likeliest first`}>
      <ol className="flex flex-col gap-1">
        {hunt.toTry.map(({ circuit, share, why, putOff }) => (
          <li key={circuit.id}>
            <button
              type="button"
              aria-pressed={circuit.id === next?.circuit.id}
              onClick={() => onChoose(circuit.id)}
              className="grid min-h-11 w-full grid-cols-[2.5rem_1fr_5.5rem] items-center gap-x-3 rounded-lg border-[1.5px] border-transparent px-2 py-1 text-left hover:bg-tint aria-pressed:border-plum"
            >
              <strong className="tabular-nums">{circuit.breaker}</strong>
              <span className="min-w-0">
                {circuit.label || <span className="text-soft">{say`no label`}</span>}
                <span className="block text-sm text-soft">
                  {putOff ? say`put off; ` : ''}
                  {why.map(reason => reasonWords(say, reason)).join('; ') || say`nothing speaks for it`}
                </span>
              </span>
              <span className="text-right text-sm tabular-nums">
                <span className="sr-only">{say`likely `}</span>
                {percent(say, share)}
                <span aria-hidden="true" className="block h-2 overflow-hidden rounded border border-ink">
                  <span className="block h-full bg-ink" style={{ width: `${share * 100}%` }} />
                </span>
              </span>
            </button>
          </li>
        ))}
      </ol>
    </Part>
  )
}

/** Every try as it was recorded, with what somebody has to say of it. */
function Tries({ view, hunt }: { view: BoxView; hunt: Hunt }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  if (hunt.tries.length === 0) return null
  return (
    <Folded
      className="rounded-xl bg-sheet px-3 sm:px-4"
      summary={<summary className="min-h-11 py-2.5 font-bold">{say`Tries: ${hunt.tries.length}`}</summary>}
    >
      <ul className="flex flex-col divide-y divide-rule pb-3">
        {hunt.tries.map(each => {
          const circuit = view.record.circuits[each.circuitId ?? '']
          const name = circuit ? breakerName(view, circuit) : say`the main switch`
          return (
            <li key={each.id} className="flex flex-wrap items-end gap-2 py-1">
              <div className="min-w-40 flex-1">
                <RowContext value={each.id}>
                  <TextField
                    label={`${capital(name)}: ${say(plain(each.shows)).toLowerCase()}${each.hinted ? say`, named by the finder` : ''}`}
                    value={each.note}
                    max={400}
                    onCommit={note =>
                      edits.send('try a breaker', [edits.change('breakerTries', each.id, { note })])
                    }
                  />
                </RowContext>
              </div>
              <Button
                aria-label={say`Take this try back: ${name}`}
                onClick={() => edits.send('try a breaker', [edits.remove('breakerTries', each.id)])}
              >{say`Take it back`}</Button>
            </li>
          )
        })}
      </ul>
    </Folded>
  )
}

const percent = (say: Say, share: number) => (share < 0.01 ? say`under 1 %` : `${Math.round(share * 100)} %`)

function RuledOut({ view, hunt, seen }: { view: BoxView; hunt: Hunt; seen: string }) {
  const say = useSay()

  if (hunt.ruledOut.length === 0) return null
  return (
    <Part title={say`Not it`}>
      <ul className="flex flex-col gap-1">
        {hunt.ruledOut.map(({ circuit, why }) => (
          <li key={circuit.id}>
            {capital(breakerName(view, circuit))}
            <span className="text-soft">
              {' '}
              ·{' '}
              {why === 'stayed-lit'
                ? say`stayed ${stayed(seen)} while it was off`
                : say`off already, held for other work`}
            </span>
          </li>
        ))}
      </ul>
      {hunt.ruledOut.some(({ why }) => why === 'off-already') && (
        <p className="text-sm">{say`If the light cannot be lit at all, one of those that are off already may feed it: look there before you hunt. Never switch a breaker on that somebody holds off.`}</p>
      )}
    </Part>
  )
}
