'use client'

import { Link } from '../job/link'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { OutsideEvent } from '@/core/model/device'
import type { Counterexample } from '@/core/prove'
import type { Test } from '@/core/read'
import { NoSuchBox } from '../job/no-such-box'
import { useBox, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { Controls } from './controls'
import { GroupDrawing } from './group-drawing'
import { layoutGroup } from './layout'
import { PartsOfDrawing, usePart } from './parts-of-drawing'
import { foundScene, plannedScene, type Scene } from './scene'
import { LEADS, Strip, Tester, type InHand } from './tester'
import { useTrial } from './use-trial'
import { Verdict } from './verdict'
import { useSay } from '../words/use-say'
import { LINK_LOOK } from '../primitives/link-look'
import { part } from '../primitives/part'

const NotYet = part(() => import('./not-yet').then(module => module.NotYet))

const MOVE_MILLISECONDS = 700
const TAP_MILLISECONDS = 250

/** The wiring a box belongs to, to be worked by hand before anybody touches it. */
export function GroupPage({ boxId }: { boxId: string }) {
  const view = useBox(boxId)
  if (!view) return <NoSuchBox />
  return <GroupOfBox key={boxId} view={view} />
}

function GroupOfBox({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const found = useMemo(() => foundScene(view.record, view.box.id, trade), [view, trade])
  const planned = useMemo(() => plannedScene(view, trade), [view, trade])
  const [moment, setMoment] = useState<'found' | 'planned'>(planned ? 'planned' : 'found')
  const given = moment === 'planned' && planned ? planned : found.ok ? found.value : null
  const { scene, edition } = useHeld(given)
  const groups = [...new Set(view.places.map(place => place.group.name))].join(', ')
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-3">
        <h1 className="text-xl">
          {say`Try by hand `}
          <span className="font-normal">{groups || `${view.room.name}, ${view.box.name}`}</span>
        </h1>
        <div className="flex flex-wrap gap-2" data-chrome>
          {planned && (
            <PickOne
              label={say`Which wiring`}
              labelHidden
              value={moment}
              options={[
                { value: 'found', words: say`As found` },
                { value: 'planned', words: say`As planned` },
              ]}
              onCommit={setMoment}
            />
          )}
          <Link
            href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/look`}
            className={LINK_LOOK}
          >{say`To the box`}</Link>
        </div>
      </div>
      <p className="hazard mt-2 bg-sheet px-3 py-1.5 text-sm">{say`Worked out from what was recorded. It is no reading: at the wall, prove dead before you touch.`}</p>
      {scene ? (
        <Workbench key={edition} scene={scene} boxId={view.box.id} />
      ) : (
        <NotYet view={view} faults={found.ok ? [] : found.faults} />
      )}
    </>
  )
}

/**
 * What is tried goes on where the job changes elsewhere, or was only fetched anew: the scene is another
 * only when its circuit is. `edition` tells one from the next.
 */
function useHeld(given: Scene | null): { readonly scene: Scene | null; readonly edition: number } {
  const [held, setHeld] = useState({ given, scene: given, edition: 0 })
  if (held.given === given) return held
  const same = JSON.stringify(held.scene?.circuit) === JSON.stringify(given?.circuit)
  const next = same
    ? { ...held, given, scene: given && held.scene && { ...given, circuit: held.scene.circuit } }
    : { given, scene: given, edition: held.edition + 1 }
  setHeld(next)
  return next
}

function Workbench({ scene, boxId }: { scene: Scene; boxId: string }) {
  const say = useSay()

  const layout = useMemo(() => layoutGroup(scene), [scene])
  const trial = useTrial(scene.circuit)
  const [inHand, setInHand] = useState<InHand>('none')
  const [touched, setTouched] = useState<readonly string[]>([])
  const { playing, shownWay, play, forget } = usePlaying(trial.act)
  const { seen } = trial
  const { frame, at, go, minWidth } = usePart(layout, boxId)
  const receptacles = scene.circuit.loads.flatMap(({ id, kind }) => (kind === 'receptacle' ? [id] : []))

  const take = (next: InHand) => {
    setInHand(next)
    setTouched([])
    void trial.touch(null)
  }
  const { touch: ask } = trial
  const put = useCallback(
    (...points: string[]) => {
      setTouched(points)
      if (inHand !== 'none') void ask(testOf(inHand, points))
    },
    [ask, inHand],
  )
  const touch = useCallback(
    (point: string) => put(...(LEADS[inHand] === 2 ? touched.slice(0, 1) : []), point),
    [put, inHand, touched],
  )
  const work = (device: string, event: OutsideEvent) => {
    forget()
    void trial.act({ kind: 'do', device, event })
  }
  /** A tap on a place: flip it, press it; a key that is only pressed springs back by itself. */
  const tap = (device: string) => {
    const events = seen?.devices.find(each => each.id === device)?.events ?? []
    const event = (['toggle', 'press', 'release'] as const).find(each => events.includes(each))
    if (!event || playing) return
    work(device, event)
    const springs = scene.circuit.devices
      .find(each => each.id === device)
      ?.model.control.some(each => each.event === 'release')
    if (event === 'press' && springs) setTimeout(() => work(device, 'release'), TAP_MILLISECONDS)
  }
  const breaker = (supply: string) => {
    if (playing) return
    const stands = seen?.breakers.find(each => each.id === supply)?.stands
    forget()
    void trial.act({ kind: 'breaker', supply, to: stands === 'on' ? 'off' : 'on' })
  }
  if (trial.failed)
    return (
      <div className="hazard mt-4 flex flex-wrap items-center gap-3 bg-sheet p-3">
        <p>{say`The calculation gave no answer.`}</p>
        <Button onClick={trial.beginAgain}>{say`Begin again`}</Button>
      </div>
    )
  return (
    <>
      <PartsOfDrawing layout={layout} at={at} onGo={go} />
      <div
        ref={frame}
        className="mt-3 overflow-x-auto rounded-xl bg-sheet"
        tabIndex={0}
        role="region"
        aria-label={say`Drawing`}
        aria-busy={seen === null}
      >
        <div
          className="group-drawing-frame"
          style={{ minWidth, aspectRatio: `${layout.width} / ${layout.height}` }}
        >
          {seen && (
            <GroupDrawing
              layout={layout}
              seen={seen}
              nominalVolts={scene.circuit.nominalVolts}
              way={shownWay}
              probes={touched}
              onPoint={LEADS[inHand] === 0 ? undefined : touch}
              onPlace={tap}
              onBreaker={breaker}
            />
          )}
        </div>
      </div>
      {seen && <Strip seen={seen} inHand={inHand} shown={trial.shown} />}
      <p role="status" className={seen?.says ? 'hazard mt-2 bg-sheet px-3 py-1.5 font-semibold' : 'sr-only'}>
        {seen?.says ?? ''}
      </p>
      <div className="mt-3 grid grid-cols-1 gap-4 lg:grid-cols-[minmax(0,1fr)_minmax(0,1fr)]">
        <div className="flex min-w-0 flex-col gap-4">
          <Verdict proof={trial.proof} ground={say`ground`} playing={playing} onPlay={play} />
          <Tester inHand={inHand} touched={touched} receptacles={receptacles} onTake={take} onPlug={put} />
        </div>
        <div className="flex min-w-0 flex-col gap-4">
          {seen && (
            <Controls
              scene={scene}
              seen={seen}
              disabled={playing !== null}
              onDo={work}
              onAct={action => {
                forget()
                void trial.act(action)
              }}
            />
          )}
        </div>
      </div>
    </>
  )
}

function testOf(instrument: Exclude<InHand, 'none'>, points: readonly string[]): Test | null {
  const [from, to] = points
  if (from === undefined) return null
  switch (instrument) {
    case 'low-impedance-meter':
    case 'high-impedance-meter':
    case 'continuity':
      return to === undefined ? null : { instrument, from, to }
    default:
      return { instrument, at: from }
  }
}

/** Plays the moves of a counterexample one after another, then shows the way of the fault. */
function usePlaying(act: ReturnType<typeof useTrial>['act']) {
  const say = useSay()

  const [playing, setPlaying] = useState<Counterexample | null>(null)
  const [shownWay, setWay] = useState<ReadonlySet<string>>(new Set())
  const wanted = useRef(true)
  useEffect(() => {
    wanted.current = true
    return () => {
      wanted.current = false
    }
  }, [])
  const play = async (counterexample: Counterexample) => {
    setPlaying(counterexample)
    setWay(new Set())
    await act({ kind: 'start-again' })
    const still = matchMedia(say`(prefers-reduced-motion: reduce)`).matches
    for (const { device, event } of counterexample.moves) {
      if (!still) await new Promise(resolve => setTimeout(resolve, MOVE_MILLISECONDS))
      if (!wanted.current) return
      await act({ kind: 'do', device, event })
    }
    if (!wanted.current) return
    const points = counterexample.path.length > 0 ? counterexample.path : counterexample.points
    setWay(new Set(points))
    setPlaying(null)
  }
  return {
    playing,
    shownWay,
    play: (each: Counterexample) => void play(each),
    forget: () => setWay(new Set()),
  }
}
