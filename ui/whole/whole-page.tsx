'use client'

import { Link } from '../job/link'
import { useMemo, useState } from 'react'
import { figure } from '@/core/model/units'
import { rowsWith, type JobRecord } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import { PROPOSALS, whatUnlocks, type LightChoices, type Proposal, type ProposalKind } from '@/core/whole'
import { newId } from '../job/new-id'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { CheckField } from '../primitives/fields'
import { FigureField } from '../primitives/figure-field'
import { Part } from '../primitives/titled-part'
import { Compared } from './compared'
import { UnlocksFirst } from './unlocks'
import { useProposals } from './use-proposals'
import { StepsBetween } from './steps-between'
import { useNames } from './use-names'
import { WhereItGoes } from './where-it-goes'
import { ADDED_WORDS, PROPOSAL_WORDS } from './words'
import { useSay } from '../words/use-say'

const NONE: readonly LightChoices[] = []

/** A device for every place of the house at once: three proposals, what is held on to, and why. */
export function WholePage() {
  const say = useSay()

  const { record } = useJob()
  const { currency } = regionOf(record.job.regionId)
  const [budget, setBudget] = useState<number | null>(null)
  const [freed, setFreed] = useState<readonly string[]>([])
  const [shown, setShown] = useState<ProposalKind>('least-cost')
  const proposals = useProposals()
  const lights = proposals.lights ?? NONE
  const edits = useEdits(null)
  const locks = Object.fromEntries(
    lights.flatMap(({ groupId, chosen }) =>
      chosen !== null && !freed.includes(groupId) ? [[groupId, chosen]] : [],
    ),
  )
  const { found, state } = proposals
  const proposed = found[shown]
  const proposal = proposed?.kind === 'proposed' ? proposed.proposal : null
  const over = Object.values(found).find(each => each.kind === 'over-budget')
  const compared = useMemo(
    () =>
      PROPOSALS.flatMap(kind => {
        const each = found[kind]
        return each?.kind === 'proposed' ? [[kind, each.proposal] as const] : []
      }),
    [found],
  )
  const open = lights.filter(({ options }) => options.length > 0)
  const take = (kind: ProposalKind) => {
    const from = found[kind]
    if (from?.kind !== 'proposed') return
    edits.send('choose a device', changesFor(record, lights, from.proposal, edits))
  }
  const unlocks = useMemo(() => whatUnlocks(lights), [lights])
  return (
    <>
      <div className="flex flex-wrap items-end justify-between gap-3 pt-5">
        <div>
          <h1 className="text-2xl">{say`The whole house`}</h1>
          <p className="text-soft">
            {proposals.lights === null && say`Seeing what can stand where … `}
            {say`${open.length} of ${lights.length} lights have something that fits and does what is wanted`}
          </p>
        </div>
        <div className="flex flex-wrap items-end gap-2" data-chrome>
          {budget === null ? (
            <FigureField label={say`At most (${currency})`} most={1_000_000} onRead={setBudget} />
          ) : (
            <Button
              onClick={() => setBudget(null)}
            >{say`At most ${figure(budget, 2)} ${currency}: lift it`}</Button>
          )}
          {state === 'running' ? (
            <Button onClick={proposals.stop}>{say`Stop`}</Button>
          ) : (
            <Button look="main" onClick={() => void proposals.start(locks, budget)}>
              {Object.keys(found).length > 0 ? say`Propose again` : say`Propose`}
            </Button>
          )}
        </div>
      </div>
      {unlocks && <UnlocksFirst record={record} unlocks={unlocks} />}
      <div role="status" className="min-h-7 py-1">
        {state === 'running' && (
          <>{say`${Object.keys(found).length} of ${PROPOSALS.length} proposals worked out …`}</>
        )}
        {state === 'stopped' && say`Stopped.`}
        {state === 'failed' && say`The calculation gave no answer. What is recorded is safe.`}
        {over?.kind === 'over-budget' && (
          <span className="hazard block px-3">{say`No choice keeps to ${figure(budget ?? 0, 2)} ${currency}: the least is ${figure(over.least, 2)} ${currency}.`}</span>
        )}
      </div>
      {Object.values(found).some(each => each.kind === 'proposed') && (
        <div className="grid items-start gap-3 xl:grid-cols-[1fr_30rem]">
          <div className="flex min-w-0 flex-col gap-3">
            <Compared found={found} shown={shown} currency={currency} onShow={setShown} onTake={take} />
            {compared.length > 1 && <StepsBetween lights={lights} proposals={compared} currency={currency} />}
          </div>
          {compared.length > 1 && (
            <WhereItGoes record={record} lights={lights} proposals={compared} currency={currency} />
          )}
        </div>
      )}
      <div className="mt-4">
        <Part title={proposal ? say`${say(PROPOSAL_WORDS[shown])}, light by light` : say`Light by light`}>
          <ul className="flex flex-col divide-y divide-rule">
            {lights.map(light => (
              <li key={light.groupId} className="grid gap-x-4 gap-y-1 py-2 md:grid-cols-[14rem_1fr_auto]">
                <Link
                  href={`/jobs/${record.job.id}/boxes/${light.places[0]!.boxId}/choose`}
                  className="font-bold underline decoration-rule underline-offset-4"
                >
                  {light.name}
                </Link>
                <span className="min-w-0">
                  {proposal ? (
                    <TakenHere light={light} proposal={proposal} currency={currency} />
                  ) : (
                    <NowHere light={light} />
                  )}
                </span>
                {light.chosen !== null && (
                  <CheckField
                    label={say`Hold on to what is chosen`}
                    value={!freed.includes(light.groupId)}
                    onCommit={held =>
                      setFreed(before =>
                        held ? before.filter(id => id !== light.groupId) : [...before, light.groupId],
                      )
                    }
                  />
                )}
              </li>
            ))}
          </ul>
        </Part>
      </div>
    </>
  )
}

function NowHere({ light }: { light: LightChoices }) {
  const say = useSay()

  const nameOf = useNames()
  if (light.chosen !== null) return <>{nameOf(light.chosen, light)}</>
  return light.options.length > 0 ? (
    <span className="text-soft">
      {light.options.length} {say.count(light.options.length, 'way fits', 'ways fit')}
    </span>
  ) : (
    <NothingFits light={light} />
  )
}

function NothingFits({ light: { waiting } }: { light: LightChoices }) {
  const say = useSay()

  return waiting > 0 ? (
    <span>
      <strong>{say`Not known yet:`}</strong>
      {say` ${waiting} ${say.count(waiting, 'waits', 'wait')} for a reading or a measure`}
    </span>
  ) : (
    <span>
      <strong>{say`Nothing fits:`}</strong>
      {say` see on Choose what it would take`}
    </span>
  )
}

function TakenHere({
  light,
  proposal,
  currency,
}: {
  light: LightChoices
  proposal: Proposal
  currency: string
}) {
  const say = useSay()

  const nameOf = useNames()
  const id = proposal.taken[light.groupId]
  const option = light.options.find(each => each.id === id)
  if (!option) return <NothingFits light={light} />
  const reason = proposal.reasons.find(({ groupId }) => groupId === light.groupId)
  return (
    <>
      {nameOf(option.id, light)}
      {option.price > 0 && (
        <span className="text-soft tabular-nums">
          {' '}
          · {figure(option.price, 2)} {currency}
        </span>
      )}
      {option.verdict === 'fits-if' && <strong>{say` · fits once a condition is met`}</strong>}
      {reason && reason.because.length > 0 && (
        <span className="block text-sm">{say`${figure(reason.dearerBy, 2)} ${currency} dearer than ${nameOf(reason.cheapest, light)}, which would mean ${reason.because.map(key => say(ADDED_WORDS[key])).join(', ')}.`}</span>
      )}
    </>
  )
}

/** One edit for all places: what is proposed is chosen, what stays is chosen no more. */
function changesFor(
  record: JobRecord,
  lights: readonly LightChoices[],
  proposal: Proposal,
  edits: ReturnType<typeof useEdits>,
) {
  return lights.flatMap(light => {
    const option = light.options.find(({ id }) => id === proposal.taken[light.groupId])
    if (!option) return []
    return light.places.flatMap(({ placeId }, at) => {
      const [choice] = rowsWith(record, 'choices', 'placeId', placeId)
      const modelId = option.members[at] ?? null
      if (modelId === (choice?.modelId ?? null)) return []
      if (modelId === null) return [edits.remove('choices', choice!.id)]
      return choice
        ? [edits.change('choices', choice.id, { modelId })]
        : [edits.add('choices', { id: newId(), placeId, modelId })]
    })
  })
}
