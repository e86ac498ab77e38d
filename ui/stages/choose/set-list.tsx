'use client'

import { placeName, theControl } from '@/core/job/place-name'
import { capital } from '@/core/words/capital'
import dynamic from 'next/dynamic'
import { keptTrying } from '../../primitives/kept-trying'
import { useMemo, useState } from 'react'
import type { LightPlace, OfCandidate, SetJudgement } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { DeviceSet } from '@/core/route'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../stage-frame'
import { bypassOf, CandidateCard } from './candidate-card'
import { Decides } from './decides'
import { Filters, useFiltered } from './filters'
import type { OnPoint } from './pointed'
import { useSides } from './use-sides'
import { LineRow, telling } from './lines'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'

const SideBySide = dynamic(
  () => keptTrying(() => import('./side-by-side')).then(module => module.SideBySide),
  { ssr: false },
)

const KIND_WORDS: Readonly<Record<DeviceSet['kind'], string>> = {
  'side-by-side': 'Beside each other',
  alone: 'One device',
  'two-way': 'Plain switches',
  companions: 'One main, with companions',
  'kept-switch': 'One main, an old switch stays',
  linked: 'Linked by radio',
  mixed: 'One main, told in several ways',
}

const nameOf = (say: Say, members: SetJudgement['set']['members']): string =>
  members.map(model => model?.name ?? say`the old one stays`).join('; ')

const placeWords = ({ view, place }: LightPlace) => placeName(view.record, place.place)
const lightWords = ({ view, place }: LightPlace) =>
  `${capital(theControl(view.record, place.place))}: ${place.group.name}`

/** How many are shown before somebody asks for more. */
const SHOWN_FIRST = 24

/** Sets as cards: those that do what is wanted, of one verdict, two of them side by side. */
export function SetList({
  title,
  view,
  places,
  wantedOf,
  judgements,
  onPoint,
}: {
  title: string
  view: BoxView
  places: readonly LightPlace[]
  wantedOf: readonly PlaceView[]
  judgements: readonly SetJudgement[]
  onPoint: OnPoint
}) {
  const say = useSay()

  const { wanted, shown, filters } = useFiltered(judgements, { view, places: wantedOf }, each => each)
  const isAnyOpen = shown.some(({ verdict }) => verdict === 'not-known')
  const isChosen = places.some(({ place }) => place.choice !== null)
  const candidates = useMemo(
    () =>
      wanted.map(({ verdict, ofLight, ofPlaces }): OfCandidate => ({
        verdict,
        lines: [
          ...ofPlaces.flatMap((lines, at) => lines.map(line => [places[at]!.view.box.id, line] as const)),
          ...ofLight.map(line => [view.box.id, line] as const),
        ],
      })),
    [wanted, places, view.box.id],
  )
  const [all, setAll] = useState(false)
  const sides = useSides()
  return (
    <>
      {!isChosen && <Decides view={view} candidates={candidates} />}
      <Part title={title}>
        <Filters view={view} places={wantedOf} every={say`Every set`} wanted={wanted} filters={filters} />
        {sides.ids.length > 0 && (
          <SideBySide
            sides={sides.ids
              .flatMap(id => judgements.find(each => each.id === id) ?? [])
              .map(({ id, set, verdict, price, minutes, unmet, ofLight, ofPlaces }) => ({
                ...{ id, name: nameOf(say, set.members), verdict, price, minutes, unmet },
                lines: distinct([...ofLight, ...ofPlaces.flat()]),
              }))}
            currency={view.region.currency}
            onClose={sides.close}
          />
        )}
        <ul className="flex flex-col gap-2">
          {(all ? shown : shown.slice(0, SHOWN_FIRST)).map((judgement, at) => (
            <li key={judgement.id}>
              <SetCandidate
                onPoint={onPoint}
                isNext={at === 0 && !isAnyOpen && !isChosen}
                view={view}
                places={places}
                judgement={judgement}
                beside={sides.ids.includes(judgement.id)}
                onBeside={() => sides.toggle(judgement.id)}
              />
            </li>
          ))}
        </ul>
        {!all && shown.length > SHOWN_FIRST && (
          <Button onClick={() => setAll(true)}>{say`${shown.length - SHOWN_FIRST} more`}</Button>
        )}
        {shown.length === 0 && <p>{say`No set has this verdict here.`}</p>}
      </Part>
    </>
  )
}

function SetCandidate({
  view,
  places,
  judgement,
  isNext,
  beside,
  onBeside,
  onPoint,
}: {
  view: BoxView
  places: readonly LightPlace[]
  judgement: SetJudgement
  isNext: boolean
  onPoint: OnPoint
  beside: boolean
  onBeside: () => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { set, ofPlaces, ofLight } = judgement
  const chosen =
    places.some(({ place }) => place.choice !== null) &&
    places.every(({ place }, at) => (place.choice?.modelId ?? null) === (set.members[at]?.id ?? null))
  const choose = () =>
    edits.send(
      'choose a device',
      places.flatMap(({ place: { place, choice } }, at) => {
        const model = set.members[at]
        if (!model) return choice ? [edits.remove('choices', choice.id)] : []
        return choice
          ? [edits.change('choices', choice.id, { modelId: model.id })]
          : [edits.add('choices', { id: newId(), placeId: place.id, modelId: model.id })]
      }),
    )
  const letGo = () =>
    edits.send(
      'choose a device',
      places.flatMap(({ place: { choice } }) => (choice ? [edits.remove('choices', choice.id)] : [])),
    )
  return (
    <CandidateCard
      view={view}
      name={nameOf(say, set.members)}
      title={say`${say(KIND_WORDS[set.kind])}: ${nameOf(say, set.members)}`}
      judged={judgement}
      price={judgement.price}
      minutes={judgement.minutes}
      lines={distinct([...ofLight, ...ofPlaces.flat()])}
      chosen={chosen}
      isNext={isNext}
      onChoose={choose}
      onLetGo={letGo}
      beside={beside}
      onBeside={onBeside}
      onPoint={isAt =>
        onPoint(
          isAt
            ? {
                choices: Object.fromEntries(
                  places.map(({ place: { place } }, at) => [place.id, set.members[at]?.id ?? null]),
                ),
                name: nameOf(say, set.members),
              }
            : null,
        )
      }
      onBypass={() =>
        edits.send(
          'plan a bypass',
          bypassOf(
            edits,
            places.map(({ place }) => place),
          ),
        )
      }
    >
      <ol className="mt-2 flex flex-col divide-y divide-rule">
        {places.map((each, at) => (
          <li key={each.place.place.id} className="grid gap-x-3 py-1.5 sm:grid-cols-[11rem_1fr]">
            <span className="text-sm text-soft">
              {set.kind === 'side-by-side' ? lightWords(each) : placeWords(each)}
            </span>
            <span>
              {set.members[at] ? (
                <strong>{set.members[at].name}</strong>
              ) : (
                <em>{each.place.found ? say`The old one stays` : say`Nothing`}</em>
              )}
              <ul className="flex flex-col gap-1">
                {telling(ofPlaces[at]!).map(line => (
                  <LineRow key={line.rule + line.says} line={line} />
                ))}
              </ul>
            </span>
          </li>
        ))}
      </ol>
      <ul className="mt-1 flex flex-col gap-1.5">
        {ofLight.map(line => (
          <LineRow key={line.rule} line={line} />
        ))}
      </ul>
    </CandidateCard>
  )
}

const distinct = (lines: SetJudgement['ofLight']) => [
  ...new Map(lines.map(line => [line.rule + line.says, line])).values(),
]
