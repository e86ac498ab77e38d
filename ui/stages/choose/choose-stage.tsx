'use client'

import { theControl } from '@/core/job/place-name'
import { capital } from '@/core/words/capital'
import { useDeferredValue, useMemo, useState } from 'react'
import { ownPlacesOf, placesOf, verdictOfChosen, type Verdict } from '@/core/check'
import { boxView, type BoxView } from '@/core/job/box-view'
import { routeBox, withChoices } from '@/core/route'
import { isSettled } from '@/core/plan'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useTrade } from '../../job/provider'
import { PickOne } from '../../primitives/fields'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { Candidates } from './device-candidates'
import type { Pointed } from './pointed'
import { useLooking } from '../use-looking'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'
import { part } from '../../primitives/part'

const OtherPlaces = part(() => import('../look/other-place').then(module => module.OtherPlaces))
const LightDrawing = part(() => import('./light-drawing').then(module => module.LightDrawing))
const SetCandidates = part(() => import('./set-candidates').then(module => module.SetCandidates))

const Retired = part(() => import('./retired').then(module => module.Retired))
const BoxCandidates = part(() => import('./box-candidates').then(module => module.BoxCandidates))

const WHOLE = 'whole'
const TOGETHER = 'together'

export function ChooseStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const [placeId, setPlaceId] = useState(
    (view.places.find(each => !isSettled(view, each)) ?? view.places[0])?.place.id ?? '',
  )
  const place = view.places.find(each => each.place.id === placeId) ?? view.places[0]
  const own = useMemo(() => ownPlacesOf(view.record, view.box.id), [view])
  const together = own.length > 1 && placeId === TOGETHER
  const light = useMemo(
    () => (place && !together && place.placesInGroup > 1 ? placesOf(view.record, place.group.id) : []),
    [view.record, place, together],
  )
  const looking = useLooking(view)
  const [shownBox, setShownBox] = useState(view.box.id)
  const whole = light.length > 1 && shownBox === WHOLE
  const shown = light.find(each => each.view.box.id === shownBox)?.view ?? view
  // What is pointed at is drawn as it would be, once there is time for it.
  const [pointed, setPointed] = useState<Pointed | null>(null)
  const tried = useDeferredValue(pointed)
  const { picture, wouldBe } = useMemo(() => {
    const would = tried && boxView(withChoices(view.record, tried.choices), shown.box.id)
    const routedSo = would ? routeBox(would, trade) : null
    if (would && routedSo?.ok) return { picture: plannedPicture(would, routedSo.value), wouldBe: tried.name }
    const chosen = [shown, ...light.map(each => each.view)].some(({ places }) =>
      places.some(each => each.choice),
    )
    const routed = chosen ? routeBox(shown, trade) : null
    return {
      picture: routed?.ok ? plannedPicture(shown, routed.value) : foundPicture(shown, trade),
      wouldBe: null,
    }
  }, [tried, view.record, shown, light, trade])
  return (
    <StageFrame
      view={view}
      stage="choose"
      drawing={
        <>
          {light.length > 1 && (
            <PickOne
              label={say`What is drawn`}
              labelHidden
              inOneRow
              value={whole ? WHOLE : shown.box.id}
              options={[
                { value: WHOLE, words: say`The whole light` },
                ...light.map(each => ({
                  value: each.view.box.id,
                  words:
                    each.view.room.id === view.room.id
                      ? each.view.box.name
                      : `${each.view.room.name}, ${each.view.box.name}`,
                })),
              ]}
              onCommit={setShownBox}
            />
          )}
          {whole ? (
            <LightDrawing view={view} />
          ) : (
            <div className="relative">
              <BoxDrawing picture={picture} />
              {wouldBe !== null && (
                <p className="absolute top-0 left-0 max-w-[45%] rounded bg-tint px-2 text-sm">{say`As it would be: ${wouldBe}`}</p>
              )}
            </div>
          )}
        </>
      }
    >
      {looking.here.length > 0 && (
        <OtherPlaces view={view} looking={looking.here} others={looking.elsewhere} />
      )}
      {!place && (
        <Part title={view.box.kind === 'control' ? say`No control here yet` : say`Nothing to choose here`}>
          <p>
            {view.box.kind === 'control'
              ? say`Record on Look what this box controls.`
              : say`The devices of its light are chosen where its switches are.`}
          </p>
        </Part>
      )}
      {view.places.length > 1 && place && (
        <PickOne
          label={say`Control`}
          value={together ? TOGETHER : place.place.id}
          options={[
            ...view.places.map(each => ({
              value: each.place.id,
              words: `${capital(theControl(view.record, each.place))}: ${each.group.name}${each.place.retired ? say`, retired` : chosenMark(say, verdictOfChosen(view, each, trade))}`,
            })),
            ...(own.length > 1 ? [{ value: TOGETHER, words: say`All at once` }] : []),
          ]}
          onCommit={setPlaceId}
        />
      )}
      {place && !together && place.place.retired && (
        <Retired key={`${place.place.id} retired`} view={view} place={place} />
      )}
      {together && <BoxCandidates view={view} places={own} onPoint={setPointed} />}
      {place && !together && !place.place.retired && place.placesInGroup === 1 && (
        <Candidates key={place.place.id} view={view} place={place} onPoint={setPointed} />
      )}
      {place && !place.place.retired && light.length > 0 && (
        <SetCandidates key={place.group.id} view={view} places={light} onPoint={setPointed} />
      )}
      {place && !together && !place.place.retired && (
        <Retired key={`${place.place.id} stays`} view={view} place={place} />
      )}
    </StageFrame>
  )
}

/** A tick for what is chosen and may go there; a word for what may not. */
const chosenMark = (say: Say, verdict: Verdict | null) =>
  verdict === null ? '' : verdict === 'does-not-fit' ? say`, does not fit` : ' ✓'
