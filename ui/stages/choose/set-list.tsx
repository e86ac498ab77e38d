'use client'

import { placeName, theControl } from '@/core/job/place-name'
import { capital } from '@/core/words/capital'
import { useMemo } from 'react'
import { alikeSets, type Alike, type LightPlace, type OfCandidate, type SetJudgement } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { DeviceSet } from '@/core/route'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { bypassOf, CandidateCard, type AlikeShown } from './candidate-card'
import { alone, useAlike, useFirstOf, useOneOf } from './alike'
import { Decides } from './decides'
import { Filters, useFiltered } from './filters'
import type { OnPoint } from './pointed'
import { useSides } from './use-sides'
import { LineRow, telling } from './lines'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'
import { part } from '../../primitives/part'

const SideBySide = part(() => import('./side-by-side').then(module => module.SideBySide))

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

/** Each device once, with how often it stands there; what stands but once comes first. */
function shortNameOf(say: Say, members: SetJudgement['set']['members']): string {
  const names = members.map(model => model?.name ?? say`the old one stays`)
  return [...new Set(names)]
    .map(name => [name, names.filter(each => each === name).length] as const)
    .sort(([, a], [, b]) => a - b)
    .map(([name, times]) => (times === 1 ? name : `${times} × ${name}`))
    .join('; ')
}

const placeWords = ({ view, place }: LightPlace) => placeName(view.record, place.place)
const lightWords = ({ view, place }: LightPlace) =>
  `${capital(theControl(view.record, place.place))}: ${place.group.name}`

/** Sets as cards: those that do what is wanted, of one verdict, two of them side by side. */
export function SetList({
  title,
  view,
  places,
  wantedOf,
  judgements,
  isCurrent,
  onPoint,
}: {
  title: string
  view: BoxView
  places: readonly LightPlace[]
  wantedOf: readonly PlaceView[]
  judgements: readonly SetJudgement[]
  /** They are judged by the record as it is now; nothing is chosen by what was judged before. */
  isCurrent: boolean
  onPoint: OnPoint
}) {
  const say = useSay()

  const { wanted, shown, isSearched, filters } = useFiltered(
    judgements,
    { view, places: wantedOf },
    { costOf, nameOf: namesIn },
  )
  const folds = useMemo(
    () => (isSearched ? shown.map(each => alone(each)) : alikeSets(shown)),
    [shown, isSearched],
  )
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
  const { rows, hidden, showAll } = useFirstOf(folds, isSearched, ({ set }) => isChosenSet(places, set))
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
        <ul
          aria-busy={!isCurrent}
          className={`flex flex-col gap-2 ${isCurrent ? '' : 'pointer-events-none'}`}
        >
          {rows.map((fold, at) => (
            <li key={fold.all[0].id}>
              <SetFold
                fold={fold}
                isCurrent={isCurrent}
                onPoint={onPoint}
                isNext={at === 0 && !isAnyOpen && !isChosen}
                view={view}
                places={places}
                sides={sides}
              />
            </li>
          ))}
        </ul>
        {hidden > 0 && <Button onClick={showAll}>{say`${hidden} more`}</Button>}
        {shown.length === 0 && (
          <p>{isSearched ? say`No set has such a name here.` : say`No set has this verdict here.`}</p>
        )}
      </Part>
    </>
  )
}

/** Those of the same devices, one of them shown. */
function SetFold({
  fold,
  sides,
  ...more
}: {
  fold: Alike<SetJudgement>
  sides: ReturnType<typeof useSides>
  isCurrent: boolean
  view: BoxView
  places: readonly LightPlace[]
  isNext: boolean
  onPoint: OnPoint
}) {
  const { view, places } = more
  const { shown, pick } = useOneOf(fold, idOf, ({ set }) => isChosenSet(places, set))
  const alike = useAlike(fold, {
    shown,
    region: view.region,
    idOf,
    priceOf: ({ price }) => price,
    wordsOf: ({ set }) => whereItStands(places, set),
    onPick: pick,
  })
  return (
    <SetCandidate
      {...more}
      judgement={shown}
      // It stays in sight when it is let go, though another leads the row.
      onKeep={() => pick(shown.id)}
      beside={sides.ids.includes(shown.id)}
      onBeside={() => sides.toggle(shown.id)}
      alike={alike}
    />
  )
}

const costOf = (each: SetJudgement) => each
const namesIn = ({ set }: SetJudgement) => set.members.map(model => model?.name ?? '').join('; ')
const idOf = ({ id }: SetJudgement) => id

/** All of it is chosen, place by place. */
const isChosenSet = (places: readonly LightPlace[], { members }: DeviceSet): boolean =>
  places.some(({ place }) => place.choice !== null) &&
  places.every(({ place }, at) => (place.choice?.modelId ?? null) === (members[at]?.id ?? null))

/** Where the device is that stands but once; else what stands at each place. */
function whereItStands(places: readonly LightPlace[], { members }: DeviceSet): string {
  const ids = members.map(model => model?.id ?? null)
  const single = ids.findIndex(id => id !== null && ids.filter(other => other === id).length === 1)
  return members.length > 2 && single >= 0
    ? places[single]!.view.box.name
    : places
        .flatMap((each, at) => (members[at] ? [`${each.view.box.name}: ${members[at].name}`] : []))
        .join('; ')
}

function SetCandidate({
  view,
  places,
  judgement,
  onKeep,
  isCurrent,
  isNext,
  beside,
  onBeside,
  onPoint,
  alike,
}: {
  view: BoxView
  places: readonly LightPlace[]
  judgement: SetJudgement
  onKeep: () => void
  isCurrent: boolean
  alike: AlikeShown | null
  isNext: boolean
  onPoint: OnPoint
  beside: boolean
  onBeside: () => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { set, ofPlaces, ofLight } = judgement
  const chosen = isChosenSet(places, set)
  const choose = () =>
    isCurrent &&
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
  const letGo = () => {
    onKeep()
    edits.send(
      'choose a device',
      places.flatMap(({ place: { choice } }) => (choice ? [edits.remove('choices', choice.id)] : [])),
    )
  }
  return (
    <CandidateCard
      view={view}
      name={nameOf(say, set.members)}
      title={shortNameOf(say, set.members)}
      kind={say(KIND_WORDS[set.kind])}
      judged={judgement}
      price={judgement.price}
      minutes={judgement.minutes}
      lines={distinct([...ofLight, ...ofPlaces.flat()])}
      chosen={chosen}
      alike={alike}
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
