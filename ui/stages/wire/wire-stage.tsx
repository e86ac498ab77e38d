'use client'

import { Link } from '../../job/link'
import { useMemo, useState } from 'react'
import { keyOfTerminal } from '@/core/model/terminal-key'
import type { BoxView } from '@/core/job/box-view'
import { isForWiring, nextSteps, planBox, type Step } from '@/core/plan'
import type { Circuit } from '@/core/model/circuit'
import type { Proof } from '@/core/prove'
import { isTied, plannedCircuit, unsaidAbout, type RoutedBox } from '@/core/route'
import { BoxDrawing } from '../../drawing/box-drawing'
import { foundPicture, plannedPicture } from '../../drawing/picture'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import type { Asked } from '@/workers/ask'
import { IsolationPanel } from '../safety/isolation-panel'
import { Part } from '../../primitives/titled-part'
import { StageFrame } from '../stage-frame'
import { Steps } from './steps'
import { useProof } from './use-proof'
import { ToStage } from '../to-stage'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const Refutation = part(() => import('./refutation').then(module => module.Refutation))
const NextBest = part(() => import('./next-best').then(module => module.NextBest))
const Wished = part(() => import('./wished').then(module => module.Wished))
const Whose = part(() => import('./whose').then(module => module.Whose))
const Cures = part(() => import('./cures').then(module => module.Cures))
const NetPath = part(() => import('./net-path').then(module => module.NetPath))
const Duties = part(() => import('./duties').then(module => module.Duties))
const Landing = part(() => import('./landing').then(module => module.Landing))

/** Steps that are done by the safe sequence, which stands above them. */
const BY_THE_SEQUENCE: readonly Step['name']['kind'][] = [
  'tester',
  'reference',
  'isolate',
  'dead',
  'tester-again',
]

export function WireStage({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const [moment, setMoment] = useState<'before' | 'after' | 'next'>('after')
  const edits = useEdits(view.box.id)
  const unfit = view.ends.filter(({ conductor }) => conductor.unfit)
  const [shownNet, setShownNet] = useState<string | null>(null)
  const chosen = isForWiring(view)
  const plan = useMemo(() => planBox(view, trade), [view, trade])
  const routed = plan.routed.ok ? plan.routed.value : null
  const unsaid = useMemo(
    () => (routed || !chosen ? [] : unsaidAbout(view, trade)),
    [routed, chosen, view, trade],
  )
  const asked = unsaid[0] && 'seen' in unsaid[0] ? unsaid[0].seen.each.end.id : null
  const found = useMemo(() => foundPicture(view, trade), [view, trade])
  const planned = useMemo(() => (routed ? plannedPicture(view, routed) : null), [view, routed])
  const circuit = useMemo(
    () => (routed && chosen ? plannedCircuit(view, routed, trade) : null),
    [view, routed, chosen, trade],
  )
  const proof = useProof(circuit)
  const next = useMemo(() => nextSteps(view, plan.steps), [view, plan])
  const isMadeDead = BY_THE_SEQUENCE.includes(next[0]?.name.kind ?? 'photo')
  const [pointed, setPointed] = useState<Step | null>(null)
  return (
    <StageFrame
      view={view}
      stage="wire"
      drawing={
        <div className="[--above:18.5rem]">
          {planned && (
            <div className="mb-2" data-chrome>
              <PickOne
                label={say`Drawing`}
                labelHidden
                inOneRow
                value={moment}
                options={[
                  { value: 'before', words: say`Before` },
                  { value: 'after', words: say`After` },
                  ...(isTied(view) ? [{ value: 'next' as const, words: say`Next best way` }] : []),
                ]}
                onCommit={setMoment}
              />
            </div>
          )}
          {routed && planned && moment === 'after' ? (
            <BoxDrawing
              picture={planned}
              selected={
                shownNet !== null
                  ? onNet(routed, shownNet)
                  : (pointed ? [pointed] : next).flatMap(step => partsOf(step, view, routed))
              }
              onSelect={endId => setShownNet(routed.netOfEnd[endId] ?? null)}
              onTerminal={(placeId, terminalId) =>
                setShownNet(routed.netOfTerminal[keyOfTerminal({ placeId, terminalId })] ?? null)
              }
            />
          ) : planned && moment === 'next' ? (
            <NextBest view={view} onTake={() => setMoment('after')} />
          ) : (
            <BoxDrawing picture={found} selected={asked} />
          )}
          {planned && moment === 'after' && (
            <p
              className="mt-1 text-sm text-soft max-wide:hidden"
              data-chrome
            >{say`Dotted conductors move. Tap a conductor or a terminal to see its whole way.`}</p>
          )}
        </div>
      }
    >
      {!chosen && (
        <Part title={say`No device chosen`} next="choose">
          <p>{say`Choose what goes in here first.`}</p>
          <ToStage view={view} stage="choose" />
        </Part>
      )}
      {isTied(view) && <Wished view={view} />}
      {unfit.length > 0 && (
        <Part title={say`Not to be used`}>
          <ul className="flex flex-col divide-y divide-rule">
            {unfit.map(({ conductor, name }) => (
              <li key={conductor.id} className="flex items-center justify-between gap-3 py-1">
                {say`${name}: too short or damaged`}
                <Button
                  look="quiet"
                  aria-label={say`Use ${name} after all`}
                  onClick={() =>
                    edits.send('find a conductor unfit', [
                      edits.change('conductors', conductor.id, { unfit: false }),
                    ])
                  }
                >{say`Use it after all`}</Button>
              </li>
            ))}
          </ul>
        </Part>
      )}
      {chosen && !plan.routed.ok && (
        <Part title={say`It cannot be wired yet`} next={unsaid.length > 0 && `unsaid-${unsaid.length}`}>
          {unsaid.length > 0 ? (
            <Whose view={view} unsaid={unsaid} />
          ) : (
            <ul className="hazard flex flex-col gap-1 bg-paper p-3">
              {plan.routed.faults.map(each => (
                <li key={each.path + each.code}>{each.message}</li>
              ))}
            </ul>
          )}
          <Cures view={view} />
        </Part>
      )}
      {routed && shownNet !== null && shownNet in routed.nets && (
        <NetPath view={view} routed={routed} netId={shownNet} onClose={() => setShownNet(null)} />
      )}
      {circuit && (
        <ProofLine
          asked={proof}
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/try`}
          loads={circuit.loads}
          ground={say`ground`}
        />
      )}
      {chosen && <IsolationPanel view={view} isNext={isMadeDead} />}
      {chosen && <Steps view={view} steps={plan.steps} next={isMadeDead ? [] : next} onPoint={setPointed} />}
      {chosen && routed && <LandingList view={view} routed={routed} />}
      {chosen && (
        <Link
          href={`/jobs/${view.record.job.id}/sheets?box=${view.box.id}`}
          data-chrome
          className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
        >{say`A page for the wall`}</Link>
      )}
      <Duties view={view} />
    </StageFrame>
  )
}

/** What the prover says of the plan, over every state of every device. */
function ProofLine({
  asked,
  href,
  loads,
  ground,
}: {
  asked: Asked<Proof> | null
  href: string
  /** What the region calls it. */
  ground: string
  loads: Circuit['loads']
}) {
  const say = useSay()

  const keeps = new Set(loads.filter(({ kind }) => kind === 'lamp').map(each => each.keeps ?? 'worked'))
  const lights = [
    ...(keeps.has('worked') ? [say`full when on, dark when off`] : []),
    ...(keeps.has('lit') ? [keeps.size > 1 ? say`what nothing works always on` : say`always on`] : []),
    ...(keeps.has('dark') ? [keeps.size > 1 ? say`what is left dead dark` : 'dark'] : []),
  ].join(', ')
  if (asked === null)
    return (
      <p
        role="status"
        className="min-h-20 rounded-xl border-2 border-rule bg-sheet p-3"
      >{say`Going through every state of this plan…`}</p>
    )
  if (asked.kind !== 'answered')
    return (
      <p className="hazard min-h-20 bg-sheet p-3">{say`Not decided: the prover gave no answer. Do not wire by this plan.`}</p>
    )
  const proof = asked.value
  if (proof.kind === 'proven')
    return (
      <p role="status" className="min-h-20 rounded-xl border-2 border-ink bg-sheet p-3">
        <strong>{say`Proven.`}</strong>
        {say` ${say.count(proof.states, 'In the one state there is', 'In all # states')}: ${lights}, nothing shorted, every return on its own neutral.`}
        {proof.groundless.length > 0 && (
          <span className="mt-1 block">{say`No ${ground} at ${proof.groundless.join('; ')}: only as local code permits, by what Choose says of it.`}</span>
        )}
      </p>
    )
  if (proof.kind === 'not-decided')
    return (
      <p className="hazard bg-sheet p-3">{say`Not decided: ${proof.states} states are more than were gone through.`}</p>
    )
  return <Refutation counterexamples={proof.counterexamples} href={href} />
}

/** The same plan as a table; fetched when it is asked for. */
function LandingList({ view, routed }: { view: BoxView; routed: RoutedBox }) {
  const say = useSay()

  const [open, setOpen] = useState(false)
  return (
    <Part
      title={say`Where everything lands`}
      aside={
        <Button aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? say`Hide the table` : say`Show the table`}
        </Button>
      }
    >
      {open && <Landing view={view} routed={routed} />}
    </Part>
  )
}

/** Conductors that a step is about, as it is wired. */
function partsOf({ name }: Step, view: BoxView, routed: RoutedBox): readonly string[] {
  if ('endId' in name) return [name.endId]
  const endsWhere = (is: (end: BoxView['ends'][number]['end']) => boolean) =>
    view.ends.flatMap(({ end }) => (is(end) ? [end.id] : []))
  switch (name.kind) {
    case 'part':
      return endsWhere(({ jointId }) => jointId === name.jointId)
    case 'take-out': {
      const found = view.places.find(({ place }) => place.id === name.placeId)?.found
      return found ? endsWhere(({ deviceId }) => deviceId === found.id) : []
    }
    case 'joint':
      return onNet(routed, name.netId)
    case 'land':
    case 'cap-lead':
      return onNet(routed, routed.netOfTerminal[keyOfTerminal(name.at)] ?? null)
    default:
      return []
  }
}

/** Conductors of this box that are on a net. */
const onNet = ({ netOfEnd }: RoutedBox, netId: string | null): readonly string[] =>
  netId === null ? [] : Object.keys(netOfEnd).filter(endId => netOfEnd[endId] === netId)
