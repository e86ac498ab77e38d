'use client'

import { useMemo, useState } from 'react'
import { checkPlace, VERDICTS, type Judgement, type Line, type Verdict } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { figure } from '@/core/model/units'
import { routeBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { VERDICT_WORDS, VerdictMark } from '../../primitives/marks'
import { WANT_WORDS } from '../../words'
import { Part, StageFrame } from '../stage-frame'

export function ChooseStage({ view }: { view: BoxView }) {
  const trade = useTrade()
  const [placeId, setPlaceId] = useState(view.places[0]?.place.id ?? '')
  const place = view.places.find(each => each.place.id === placeId) ?? view.places[0]
  const picture = useMemo(() => {
    const routed = view.places.some(each => each.choice) ? routeBox(view, trade) : null
    return routed?.ok ? plannedPicture(view, routed.value) : foundPicture(view, trade)
  }, [view, trade])
  return (
    <StageFrame view={view} stage="choose" drawing={<BoxDrawing picture={picture} />}>
      {!place && (
        <Part title="No control here yet">
          <p>Record on Look what this box controls.</p>
        </Part>
      )}
      {view.places.length > 1 && place && (
        <PickOne
          label="Gang"
          value={place.place.id}
          options={view.places.map(each => ({
            value: each.place.id,
            words: `${each.place.gang}: ${each.group.name}${each.choice ? ' ✓' : ''}`,
          }))}
          onCommit={setPlaceId}
        />
      )}
      {place && <Candidates key={place.place.id} view={view} place={place} />}
    </StageFrame>
  )
}

function Candidates({ view, place }: { view: BoxView; place: PlaceView }) {
  const trade = useTrade()
  const judgements = useMemo(() => checkPlace(view, place.place.id, trade), [view, place, trade])
  const [filter, setFilter] = useState<Verdict | 'all'>('all')
  const [onlyWanted, setOnlyWanted] = useState(place.group.want !== null)
  const wanted = judgements.filter(each => !onlyWanted || each.meetsWant)
  const shown = wanted.filter(each => filter === 'all' || each.verdict === filter)
  return (
    <Part title={place.group.name}>
      {place.group.want && (
        <PickOne
          label="Show"
          value={onlyWanted ? 'wanted' : 'all'}
          options={[
            { value: 'wanted', words: `What was wanted: ${WANT_WORDS[place.group.want].toLowerCase()}` },
            { value: 'all', words: 'Every device' },
          ]}
          onCommit={value => setOnlyWanted(value === 'wanted')}
        />
      )}
      <PickOne
        label="Verdict"
        value={filter}
        options={[
          { value: 'all' as const, words: `All ${wanted.length}` },
          ...VERDICTS.map(value => ({
            value,
            words: `${VERDICT_WORDS[value]} ${wanted.filter(each => each.verdict === value).length}`,
          })),
        ]}
        onCommit={setFilter}
      />
      <ul className="flex flex-col gap-2">
        {shown.map(judgement => (
          <li key={judgement.device.id}>
            <Candidate view={view} place={place} judgement={judgement} />
          </li>
        ))}
      </ul>
      {shown.length === 0 && <p>No device has this verdict here.</p>}
    </Part>
  )
}

/** The lines that say something: not the ones that simply hold, unless a margin stands in them. */
const telling = (judgement: Judgement): readonly Line[] => {
  const against = judgement.lines.filter(line => line.verdict !== 'fits')
  return against.length > 0 ? against : judgement.lines.filter(line => line.rule.startsWith('load-'))
}

function Candidate({ view, place, judgement }: { view: BoxView; place: PlaceView; judgement: Judgement }) {
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const { device, verdict } = judgement
  const chosen = place.choice?.modelId === device.id
  const choose = () =>
    edits.send('choose a device', [
      place.choice
        ? edits.change('choices', place.choice.id, { modelId: device.id })
        : edits.add('choices', { id: newId(), placeId: place.place.id, modelId: device.id }),
    ])
  const letGo = () =>
    place.choice && edits.send('choose a device', [edits.remove('choices', place.choice.id)])
  return (
    <article
      aria-label={device.name}
      data-verdict={verdict}
      className={`rounded-lg border bg-paper p-3 ${chosen ? 'border-[3px] border-plum' : 'border-rule'}`}
    >
      <div className="flex items-start gap-3">
        <VerdictMark verdict={verdict} />
        <div className="min-w-0 flex-1">
          <h3 className="leading-tight font-bold">{device.name}</h3>
          <p className="text-sm">
            <strong>{VERDICT_WORDS[verdict]}</strong> · {figure(device.price, 2)} {view.region.currency} ·{' '}
            {device.minutes} min
          </p>
        </div>
        <Button look={chosen ? 'plain' : 'main'} onClick={chosen ? letGo : choose} aria-pressed={chosen}>
          {chosen ? 'Chosen' : 'Choose'}
        </Button>
      </div>
      <ul className="mt-2 flex flex-col gap-1.5">
        {telling(judgement).map(line => (
          <LineRow key={line.rule + line.says} line={line} />
        ))}
      </ul>
      {verdict !== 'fits' && <WaysOut view={view} judgement={judgement} />}
      <details>
        <summary className="flex min-h-11 items-center underline decoration-rule underline-offset-4">
          Why?
        </summary>
        <ul className="flex flex-col gap-3 pb-1">
          {judgement.lines.map(line => (
            <li key={line.rule + line.says}>
              <LineRow line={line} plainList />
              <p className="text-sm text-soft">
                {trade.facts[line.factId]?.says} <em>({trade.facts[line.factId]?.source})</em>
              </p>
            </li>
          ))}
        </ul>
      </details>
    </article>
  )
}

function WaysOut({ view, judgement }: { view: BoxView; judgement: Judgement }) {
  const { cures, settledBy } = judgement
  return (
    <ul className="mt-2 flex flex-col gap-1 text-sm">
      {settledBy.map(says => (
        <li key={says}>
          <strong>Settle it:</strong> {says}
        </li>
      ))}
      {cures.map(cure => (
        <li key={cure.id}>
          <strong>{cure.here ? 'Here:' : 'Or:'}</strong> {cure.says}
          {cure.price + cure.minutes > 0 && (
            <span className="text-soft">
              {' '}
              {figure(cure.price, 2)} {view.region.currency}, {figure(cure.minutes, 0)} min
            </span>
          )}
        </li>
      ))}
    </ul>
  )
}

/** A condition in words, and where it has figures a bar with the limit marked. */
function LineRow({ line, plainList = false }: { line: Line; plainList?: boolean }) {
  const Row = plainList ? 'div' : 'li'
  const measured = line.value !== null && line.limit !== null && line.limit > 0 && line.spare !== null
  const share = measured ? line.value! / line.limit! : 0
  const scale = Math.max(1, share) * 1.02
  return (
    <Row data-rule={line.rule} data-line={line.verdict}>
      <span>
        {line.verdict !== 'fits' && <strong>{VERDICT_WORDS[line.verdict]}: </strong>}
        {line.says}
      </span>
      {measured && (
        <span aria-hidden="true" className="relative mt-1 block h-2.5 rounded border border-ink/60 bg-sheet">
          <span
            className="absolute inset-y-0 left-0 rounded-l bg-ink/75"
            style={{ width: `${(share / scale) * 100}%` }}
          />
          <span className="absolute -inset-y-1 w-[3px] bg-plum" style={{ left: `${(1 / scale) * 100}%` }} />
        </span>
      )}
    </Row>
  )
}
