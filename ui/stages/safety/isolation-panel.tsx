'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import { mayMissAnOn } from '@/core/job/hearing'
import { useJob } from '../../job/provider'
import type { Row } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { needWords } from '@/core/plan'
import { isolationOf, type SafetyNeed } from '@/core/safety'
import { newReading, newSwitching } from '../../job/new-reading'
import { Button } from '../../primitives/button'
import { switchName } from '../../words/switch-name'
import { capital } from '@/core/words/capital'
import { Part } from '../../primitives/titled-part'
import { DeadRow } from './dead-row'
import { ReferenceChoices, referencesHere } from './reference-choices'
import { holdersIn, useLocks } from './use-locks'
import { onWords, useSwitchedOn } from './use-switched-on'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { part } from '../../primitives/part'

const LockOff = part(() => import('./lock-off').then(module => module.LockOff))
const LocksOn = part(() => import('./locks-on').then(module => module.LocksOn))
const ReadersOnly = part(() => import('./readers-only').then(module => module.ReadersOnly))
const KeepOff = part(() => import('./keep-off').then(module => module.KeepOff))

/** Proofs on a live point. */
const PROOFS: readonly SafetyNeed['kind'][] = ['prove-tester', 'prove-reference', 'prove-tester-again']

/** With the main switch off nothing else in the house is live. */
const TESTED_ON = [REFERENCES.livePoint, REFERENCES.provingUnit] as const

/** The safe sequence, one need after the other, each recorded with one press; its open one may be the next thing. */
export function IsolationPanel({ view, isNext = false }: { view: BoxView; isNext?: boolean }) {
  const say = useSay()

  const isolation = useMemo(() => isolationOf(view), [view])
  const { touch } = useJob()
  const next = isolation.needs[0]
  const unread = isolation.needs.filter(need => need.kind === 'read-dead')
  const others = isolation.needs.filter(need => need.kind !== 'read-dead')
  return (
    <Part
      title={
        !isolation.dead
          ? say`Make it dead`
          : mayMissAnOn(touch)
            ? say`Dead, as far as this phone knows`
            : say`This box was read dead`
      }
    >
      {!isolation.dead && isBegun(view) && <KeepOff view={view} isDead={false} />}
      {isolation.dead ? (
        <SwitchOn view={view} />
      ) : (
        <ol className="flex flex-col gap-2">
          {others
            .filter(need => need.kind !== 'prove-tester-again')
            .map(need => (
              <li
                key={needWords(view, need)}
                data-next={isNext && need === next ? needWords(view, need) : undefined}
              >
                <NeedRow view={view} need={need} active={need === next} />
              </li>
            ))}
          {unread.length > 0 && (
            <li className="rounded-lg border border-rule p-3">
              <p className="font-semibold">{say`Read dead at every conductor, breaker off: ${isolation.endsReadDead} of ${isolation.ends}`}</p>
              <p className="mb-2 text-sm text-soft">{say`Low-impedance meter, to the proven reference. At most 5 V.`}</p>
              <ul className="flex flex-col gap-2">
                {unread.map(need => (
                  <li
                    key={need.end.end.id}
                    data-next={isNext && need === next ? `dead ${need.end.end.id}` : undefined}
                  >
                    <DeadRow view={view} need={need} active={next?.kind === 'read-dead'} />
                  </li>
                ))}
              </ul>
            </li>
          )}
          {others
            .filter(need => need.kind === 'prove-tester-again')
            .map(need => (
              <li key={need.kind} data-next={isNext && need === next ? need.kind : undefined}>
                <NeedRow view={view} need={need} active={need === next} />
              </li>
            ))}
        </ol>
      )}
      <p className="text-sm text-soft">{say`Follow local code and the maker’s sheet. Where licensed practice is required, a licensed person does it.`}</p>
    </Part>
  )
}

/** One need of the sequence, with its press while it is the next. */
export function NeedRow({ view, need, active }: { view: BoxView; need: SafetyNeed; active: boolean }) {
  const say = useSay()

  const { edits, lock } = useLocks(view.box.id)
  const { nominalVolts } = view.region
  const read = (...readings: readonly Partial<Row<'readings'>>[]) =>
    edits.send(
      'take a reading',
      readings.map(fields =>
        edits.add('readings', newReading(view.box.id, { value: nominalVolts, ...fields })),
      ),
    )
  // A live point that reads nominal to a ground of the box proves the tester and the ground at once.
  const [both] = useMemo(() => {
    const open = isolationOf(view).needs.map(({ kind }) => kind)
    return need.kind === 'prove-tester' && open.includes('prove-reference') ? referencesHere(view) : []
  }, [view, need.kind])
  const keptOff = (circuitId: string | null, keyWith: string) =>
    need.kind === 'lock'
      ? edits.send('lock a breaker off', [lock(circuitId, keyWith)])
      : edits.send('switch a breaker', [
          edits.add('switchings', newSwitching(circuitId, 'off')),
          lock(circuitId, keyWith),
        ])
  return (
    <div className={`rounded-lg border p-3 ${active ? 'border-2 border-plum' : 'border-rule'}`}>
      <p className="mb-2 font-semibold">{needWords(view, need)}</p>
      {active && (
        <div className="flex flex-wrap gap-2">
          {both && (
            <Button
              look="main"
              onClick={() =>
                read(
                  { purpose: 'tester', reference: REFERENCES.livePoint },
                  { purpose: 'reference', ...both.fields },
                )
              }
            >{say`Live point to ${both.name}: ${nominalVolts} V`}</Button>
          )}
          {(need.kind === 'prove-tester' || need.kind === 'prove-tester-again') &&
            TESTED_ON.map((reference, at) => (
              <Button
                key={reference}
                look={at === 0 && !both ? 'main' : 'plain'}
                onClick={() => read({ purpose: 'tester', reference })}
              >
                {at === 0 ? say`It read ${nominalVolts} V` : say`On a proving unit`}
              </Button>
            ))}
          {(need.kind === 'switch-off' || need.kind === 'lock') && (
            <LockOff onLock={keyWith => keptOff(need.circuit?.id ?? null, keyWith)} />
          )}
          {PROOFS.includes(need.kind) && <ReadersOnly record={view.record} />}
          {need.kind === 'prove-reference' && <ReferenceChoices view={view} onRead={read} />}
        </div>
      )}
    </div>
  )
}

const isBegun = ({ record, box }: BoxView): boolean => rowsWith(record, 'steps', 'boxId', box.id).length > 0

/** Switching on again is recorded: from then on the box may be live, and every dead reading is void. */
export function SwitchOn({ view }: { view: BoxView }) {
  const off = isolationOf(view).toSwitchOff
  const again = <OnAgain view={view} />
  return (
    <div className="flex flex-col gap-2">
      <LocksOn circuitIds={off.map(circuit => circuit?.id ?? null)} boxId={view.box.id} isTakenOffWith />
      {isBegun(view) ? <KeepOff view={view} isDead otherwise={again} /> : again}
    </div>
  )
}

function OnAgain({ view }: { view: BoxView }) {
  const say = useSay()

  const on = useSwitchedOn(view)
  return (
    <div className="flex flex-wrap gap-2">
      {isolationOf(view).toSwitchOff.map(circuit => (
        <Button
          key={circuit?.id ?? 'main'}
          disabled={holdersIn(view.record, [circuit?.id ?? null]).length > 1}
          onClick={() => on(circuit, false)}
        >
          {onWords(
            view.record,
            [circuit?.id ?? null],
            say`${capital(switchName(view.record, circuit?.id ?? null))} is on again`,
          )}
        </Button>
      ))}
    </div>
  )
}
