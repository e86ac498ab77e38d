'use client'

import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Row } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { needWords } from '@/core/plan'
import { isolationOf, type SafetyNeed } from '@/core/safety'
import { newReading, newSwitching } from '../../job/new-reading'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { plain } from '../../words'
import { Part } from '../stage-frame'
import { ReferenceChoices } from './reference-choices'
import { useSwitchedOn } from './use-switched-on'

const ReadsLive = dynamic(() => import('./reads-live').then(module => module.ReadsLive), { ssr: false })
const KeepOff = dynamic(() => import('./keep-off').then(module => module.KeepOff), { ssr: false })

/** The safe sequence, one need after the other, each recorded with one press. */
export function IsolationPanel({ view }: { view: BoxView }) {
  const isolation = useMemo(() => isolationOf(view), [view])
  const { breaker } = view.region.words
  const next = isolation.needs[0]
  const unread = isolation.needs.filter(need => need.kind === 'read-dead')
  const others = isolation.needs.filter(need => need.kind !== 'read-dead')
  return (
    <Part title={isolation.dead ? 'This box was read dead' : 'Make it dead'}>
      {!isolation.dead && isBegun(view) && <KeepOff view={view} isDead={false} />}
      {isolation.dead ? (
        <SwitchOn view={view} />
      ) : (
        <ol className="flex flex-col gap-2">
          {others
            .filter(need => need.kind !== 'prove-tester-again')
            .map(need => (
              <li key={needWords(view, need)}>
                <NeedRow view={view} need={need} active={need === next} />
              </li>
            ))}
          {unread.length > 0 && (
            <li className="rounded-lg border border-rule p-3">
              <p className="font-semibold">
                Read dead at every conductor, {breaker} off: {isolation.endsReadDead} of {isolation.ends}
              </p>
              <p className="mb-2 text-sm text-soft">
                Low-impedance meter, to the proven reference. At most 5 V.
              </p>
              <ul className="flex flex-col gap-2">
                {unread.map(need => (
                  <li key={need.end.end.id}>
                    <DeadRow view={view} need={need} active={next?.kind === 'read-dead'} />
                  </li>
                ))}
              </ul>
            </li>
          )}
          {others
            .filter(need => need.kind === 'prove-tester-again')
            .map(need => (
              <li key={need.kind}>
                <NeedRow view={view} need={need} active={need === next} />
              </li>
            ))}
        </ol>
      )}
      <p className="text-sm text-soft">
        Follow local code and the maker’s sheet. Where licensed practice is required, a licensed person does
        it.
      </p>
    </Part>
  )
}

function NeedRow({ view, need, active }: { view: BoxView; need: SafetyNeed; active: boolean }) {
  const edits = useEdits(view.box.id)
  const { nominalVolts } = view.region
  const read = (fields: Partial<Row<'readings'>>) =>
    edits.send('take a reading', [
      edits.add('readings', newReading(view.box.id, { value: nominalVolts, ...fields })),
    ])
  const action = (): { says: string; run: () => void }[] => {
    switch (need.kind) {
      case 'prove-tester':
      case 'prove-tester-again':
        return [
          {
            says: `It read ${nominalVolts} V`,
            run: () => read({ purpose: 'tester', reference: 'known live point' }),
          },
        ]
      case 'switch-off':
        return [
          {
            says: 'It is off and held off',
            run: () =>
              edits.send('switch a breaker', [
                edits.add('switchings', newSwitching(need.circuit?.id ?? null, 'off')),
              ]),
          },
        ]
      case 'prove-reference':
      case 'read-dead':
        return []
    }
  }
  return (
    <div className={`rounded-lg border p-3 ${active ? 'border-2 border-plum' : 'border-rule'}`}>
      <p className="mb-2 font-semibold">{needWords(view, need)}</p>
      {active && (
        <div className="flex flex-wrap gap-2">
          {action().map(({ says, run }) => (
            <Button key={says} look="main" onClick={run}>
              {says}
            </Button>
          ))}
          {need.kind === 'prove-reference' && <ReferenceChoices view={view} onRead={read} />}
        </div>
      )}
    </div>
  )
}

function DeadRow({
  view,
  need,
  active,
}: {
  view: BoxView
  need: Extract<SafetyNeed, { kind: 'read-dead' }>
  active: boolean
}) {
  const edits = useEdits(view.box.id)
  const [other, setOther] = useState<string | null>(null)
  const reference = view.readings.filter(reading => reading.purpose === 'reference').at(-1)
  const record = (value: number) => {
    const self = reference?.toEndId === need.end.end.id
    edits.send('take a reading', [
      edits.add(
        'readings',
        newReading(view.box.id, {
          purpose: 'dead',
          fromEndId: need.end.end.id,
          toEndId: self ? null : (reference?.toEndId ?? null),
          toSpot: self ? null : (reference?.toSpot ?? null),
          reference: self || !(reference?.toEndId ?? reference?.toSpot) ? 'brought-in reference' : null,
          value,
          breaker: 'off',
        }),
      ),
    ])
    setOther(null)
  }
  const typed = other === null ? NaN : Number(other.replace(',', '.'))
  if (need.volts !== null) return <ReadsLive view={view} need={need} />
  return (
    <div className="flex flex-wrap items-center gap-2">
      <span className="min-w-28 flex-1">{plain(need.end.name)}</span>
      {other === null ? (
        <>
          <Button
            look="main"
            disabled={!active}
            onClick={() => record(0)}
            aria-label={`${need.end.name}: 0 V`}
          >
            0 V
          </Button>
          <Button
            disabled={!active}
            onClick={() => setOther('')}
            aria-label={`${need.end.name}: another value`}
          >
            Other
          </Button>
        </>
      ) : (
        <>
          <input
            autoFocus
            inputMode="decimal"
            aria-label={`Volts at ${need.end.name}`}
            value={other}
            onChange={event => setOther(event.target.value)}
            className="min-h-11 w-24 rounded-lg border-[1.5px] border-ink/60 bg-paper px-3"
          />
          <Button look="main" disabled={!(typed >= 0 && typed <= 1000)} onClick={() => record(typed)}>
            V
          </Button>
          <Button onClick={() => setOther(null)}>Back</Button>
        </>
      )}
    </div>
  )
}

const isBegun = ({ record, box }: BoxView): boolean => rowsWith(record, 'steps', 'boxId', box.id).length > 0

/** Switching on again is recorded: from then on the box may be live, and every dead reading is void. */
export function SwitchOn({ view }: { view: BoxView }) {
  const on = useSwitchedOn(view)
  return (
    <div className="flex flex-col gap-2">
      {isBegun(view) && <KeepOff view={view} isDead />}
      <div className="flex flex-wrap gap-2">
        {isolationOf(view).toSwitchOff.map(circuit => (
          <Button key={circuit?.id ?? 'main'} onClick={() => on(circuit, false)}>
            {circuit ? `${plain(view.region.words.breaker)} ${circuit.breaker}` : 'The main switch'} is on
            again
          </Button>
        ))}
      </div>
    </div>
  )
}
