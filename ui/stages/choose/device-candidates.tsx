import { useMemo } from 'react'
import { alikeDevices, checkPlace, type Alike, type Judgement, type OfCandidate } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { alone, useAlike, useFirstOf, useOneOf } from './alike'
import { bypassOf, CandidateCard } from './candidate-card'
import { Decides } from './decides'
import { Filters, useFiltered } from './filters'
import { LineRow, telling } from './lines'
import type { OnPoint } from './pointed'
import { useSides } from './use-sides'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const SideBySide = part(() => import('./side-by-side').then(module => module.SideBySide))

/** Every device for one place: what fits first. */
export function Candidates({ view, place, onPoint }: { view: BoxView; place: PlaceView; onPoint: OnPoint }) {
  const say = useSay()

  const trade = useTrade()
  const judgements = useMemo(() => checkPlace(view, place.place.id, trade), [view, place, trade])
  const { wanted, shown, isSearched, filters } = useFiltered(
    judgements,
    { view, places: [place] },
    { costOf, nameOf },
  )
  const folds = useMemo(
    () => (isSearched ? shown.map(each => alone(each)) : alikeDevices(shown)),
    [shown, isSearched],
  )
  const isAnyOpen = shown.some(({ verdict }) => verdict === 'not-known')
  const candidates = useMemo(
    () =>
      wanted.map(({ verdict, lines }): OfCandidate => ({
        verdict,
        lines: lines.map(line => [view.box.id, line] as const),
      })),
    [wanted, view.box.id],
  )
  const { rows, hidden, showAll } = useFirstOf(
    folds,
    isSearched,
    ({ device }) => place.choice?.modelId === device.id,
  )
  const sides = useSides()
  return (
    <>
      {place.choice === null && <Decides view={view} candidates={candidates} />}
      <Part title={place.group.name}>
        <Filters view={view} places={[place]} every={say`Every device`} wanted={wanted} filters={filters} />
        {sides.ids.length > 0 && (
          <SideBySide
            sides={sides.ids
              .flatMap(id => judgements.find(({ device }) => device.id === id) ?? [])
              .map(({ device: { id, name, price, minutes }, verdict, lines, unmet }) => ({
                ...{ id, name, price, minutes },
                ...{ verdict, lines, unmet },
              }))}
            currency={view.region.currency}
            onClose={sides.close}
          />
        )}
        <ul className="flex flex-col gap-2">
          {rows.map((fold, at) => (
            <li key={fold.all[0].device.id}>
              <Candidate
                onPoint={onPoint}
                isNext={at === 0 && !isAnyOpen && place.choice === null}
                view={view}
                place={place}
                fold={fold}
                sides={sides}
              />
            </li>
          ))}
        </ul>
        {hidden > 0 && <Button onClick={showAll}>{say`${hidden} more`}</Button>}
        {shown.length === 0 && (
          <p>{isSearched ? say`No device has such a name here.` : say`No device has this verdict here.`}</p>
        )}
      </Part>
    </>
  )
}

const costOf = ({ device }: Judgement) => device
const nameOf = ({ device }: Judgement) => device.name
const idOf = ({ device }: Judgement) => device.id

function Candidate({
  view,
  place,
  fold,
  isNext,
  sides,
  onPoint,
}: {
  view: BoxView
  place: PlaceView
  /** Devices alike but for one thing: one of them is shown. */
  fold: Alike<Judgement>
  isNext: boolean
  onPoint: OnPoint
  sides: ReturnType<typeof useSides>
}) {
  const edits = useEdits(view.box.id)
  const { shown: judgement, pick } = useOneOf(fold, idOf, ({ device }) => place.choice?.modelId === device.id)
  const { device } = judgement
  const alike = useAlike(fold, {
    shown: judgement,
    region: view.region,
    idOf,
    wordsOf: each => each.device.name,
    priceOf: each => each.device.price,
    onPick: pick,
  })
  const chosen = place.choice?.modelId === device.id
  const choose = () =>
    edits.send('choose a device', [
      place.choice
        ? edits.change('choices', place.choice.id, { modelId: device.id })
        : edits.add('choices', { id: newId(), placeId: place.place.id, modelId: device.id }),
    ])
  const letGo = () => {
    // It stays in sight, though another leads the row.
    pick(device.id)
    if (place.choice) edits.send('choose a device', [edits.remove('choices', place.choice.id)])
  }
  return (
    <CandidateCard
      view={view}
      name={device.name}
      judged={judgement}
      price={device.price}
      minutes={device.minutes}
      lines={judgement.lines}
      chosen={chosen}
      isNext={isNext}
      onChoose={choose}
      onLetGo={letGo}
      beside={sides.ids.includes(device.id)}
      onBeside={() => sides.toggle(device.id)}
      alike={alike}
      onBypass={() => edits.send('plan a bypass', bypassOf(edits, [place]))}
      onPoint={isAt => onPoint(isAt ? { choices: { [place.place.id]: device.id }, name: device.name } : null)}
    >
      <ul className="mt-2 flex flex-col gap-1.5">
        {telling(judgement.lines).map(line => (
          <LineRow key={line.rule + line.says} line={line} />
        ))}
      </ul>
    </CandidateCard>
  )
}
