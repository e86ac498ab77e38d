'use client'

import { theControl } from '@/core/job/place-name'
import { ROLE_WORDS } from '@/core/words/of-vocabulary'
import { useState } from 'react'
import { claimStatus } from '@/core/identify'
import { isControlRole, isHotRole } from '@/core/model/roles'
import { isLowVoltage, type BoxView, type EndView } from '@/core/job/box-view'
import { isOfPair } from '@/core/job/low-voltage'
import { ROLES, type Instrument, type Role, type SwitchPosition } from '@/core/model/vocabulary'
import { roleSaid } from '@/core/recording'
import { FIELD_LOOK } from '../../primitives/field-look'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { INSTRUMENT_UNITS, INSTRUMENT_WORDS, PROOF_WORDS } from '../../words'
import { capital } from '@/core/words/capital'
import { newReading } from '../../job/new-reading'
import { useBroughtUp } from '../../primitives/use-brought-up'
import { Part } from '../../primitives/titled-part'
import { Belongs } from './belongs'
import { PutRight } from './put-right'
import { readingWords } from './reading-words'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'
import { RowContext } from '../../primitives/row-context'

/** One conductor: what it is taken for, the readings that rest under it, and the next one. */
export function RolePanel({
  view,
  strand,
  onClose,
}: {
  view: BoxView
  strand: EndView
  onClose: () => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const brought = useBroughtUp<HTMLDivElement>()
  const status = claimStatus(view, strand)
  const setRole = (role: Role | 'none') =>
    edits.send('set a role', roleSaid(edits, view.record, strand.end.id, role === 'none' ? null : role))
  return (
    <div ref={brought} className="scroll-mt-3">
      <Part title={say`Conductor ${strand.name}`} aside={<Button onClick={onClose}>{say`Done`}</Button>}>
        <PickOne
          label={say`Taken for`}
          value={strand.end.role ?? 'none'}
          options={[
            ...ROLES.filter(role => mayBeOf(strand, role)).map(value => ({
              value,
              words: capital(say(ROLE_WORDS[value])),
            })),
            { value: 'none' as const, words: say`Not said` },
          ]}
          onCommit={setRole}
        />
        <Belongs view={view} strand={strand} />
        <p role="status">
          <strong>{capital(say(PROOF_WORDS[status.proof]))}.</strong>{' '}
          {status.proof === 'contradicted'
            ? say`These readings cannot stand together with this role. Stop, and repeat the newest first.`
            : (status.settledBy ?? say`Two readings bear it out.`)}
        </p>
        <ReadingList view={view} strand={strand} />
        <ReadingForm key={strand.end.role ?? 'none'} view={view} strand={strand} />
      </Part>
    </div>
  )
}

/** What carries no mains is one of its pair, or spare; nothing else is of one but where somebody said so. */
const mayBeOf = (strand: EndView, role: Role): boolean =>
  isLowVoltage(strand)
    ? isControlRole(role) || role === 'spare' || role === strand.end.role
    : !isControlRole(role) || isOfPair(strand)

function ReadingList({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const status = claimStatus(view, strand)
  const readings = [...view.readings, ...view.struckReadings].filter(
    reading =>
      reading.purpose === 'identify' &&
      (reading.fromEndId === strand.end.id ||
        reading.toEndId === strand.end.id ||
        status.supporting.includes(reading)),
  )
  if (readings.length === 0) return null
  return (
    <ul className="flex flex-col gap-1">
      {readings.map(reading => {
        const words = readingWords(view, reading)
        return (
          <li
            key={reading.id}
            className="flex flex-wrap items-center justify-between gap-2 rounded-lg border border-rule px-3 py-1"
          >
            <span className="min-w-0 flex-1">
              <span className={reading.struck === null ? '' : 'line-through decoration-2'}>{words}</span>
              {reading.struck !== null && <strong>{say` struck out: ${reading.struck}`}</strong>}
              {reading.corrected !== null && (
                <span className="text-soft">{say` put right, ${reading.corrected}`}</span>
              )}
              {status.contradicting.includes(reading) && <strong>{say` – speaks against it`}</strong>}
              {status.supporting.includes(reading) && (
                <span className="text-soft">{say` – bears it out`}</span>
              )}
            </span>
            <RowContext value={reading.id}>
              <PutRight reading={reading} words={words} boxId={view.box.id} />
            </RowContext>
          </li>
        )
      })}
    </ul>
  )
}

/** Instruments whose readings bear on a role that somebody says. */
const BEARING: readonly Instrument[] = ['low-impedance-meter', 'high-impedance-meter', 'clamp']

const NONE = 'none'
const TWO_POINT: readonly Instrument[] = ['low-impedance-meter', 'high-impedance-meter']

/** A reading in two presses: the conductor is chosen already, then the value that was shown. */
function ReadingForm({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { nominalVolts } = view.region
  const ground = view.ends.find(each => each.end.role === 'ground' && each.end.id !== strand.end.id)
  const hot = view.ends.find(each => isHotRole(each.end.role) && each.end.id !== strand.end.id)
  const wantsHot = strand.end.role === 'neutral' || strand.end.role === 'ground'
  const usual = (wantsHot ? hot : ground) ?? view.ends.find(each => each.end.id !== strand.end.id)
  const [instrument, setInstrument] = useState<Instrument>('low-impedance-meter')
  const [partner, setPartner] = useState<string>(usual?.end.id ?? 'outside')
  const [breaker, setBreaker] = useState<'on' | 'off'>('on')
  const [position, setPosition] = useState<SwitchPosition>('separated')
  const [lampsOut, setLampsOut] = useState(NONE)
  const [off, setOff] = useState(NONE)
  const [typed, setTyped] = useState('')
  const isTwoPoint = TWO_POINT.includes(instrument)
  const value = typed.trim() === '' ? NaN : Number(typed.replace(',', '.'))

  const record = (shown: number) => {
    const reading = newReading(view.box.id, {
      instrument,
      purpose: instrument === 'clamp' ? 'clamp' : 'identify',
      fromEndId: strand.end.id,
      toEndId: isTwoPoint && partner !== 'outside' ? partner : null,
      reference: isTwoPoint && partner === 'outside' ? REFERENCES.knownGround : null,
      value: shown,
      breaker,
      switchPosition: position,
      lampsOutGroupId: lampsOut === NONE ? null : lampsOut,
      // With every conductor apart there is nothing to take it off.
      offDeviceId: off === NONE || position === 'separated' ? null : off,
    })
    if (edits.send('take a reading', [edits.add('readings', reading)])) setTyped('')
  }

  const positions: readonly { value: SwitchPosition; words: string }[] = [
    { value: 'separated', words: say`Conductors apart` },
    { value: 'off', words: say`Switch off` },
    { value: 'on', words: say`Switch on` },
    { value: 'not-known', words: say`Switch not known` },
  ]
  const held = view.places.filter(({ found }) => found !== null)
  const partnerName = view.ends.find(each => each.end.id === partner)?.name ?? say`a known ground outside`
  const positionWords = positions.find(each => each.value === position)!.words.toLowerCase()
  return (
    <div className="flex flex-col gap-3 rounded-lg border-2 border-plum p-3">
      <h3 className="font-bold">{say`Take a reading`}</h3>
      {breaker === 'on' && (
        <p className="hazard px-3 text-sm">{say`Live reading: conductors apart, held by nobody, probes only, one reading, then off again.`}</p>
      )}
      <p className="font-semibold">
        {strand.name}
        {isTwoPoint && say` to ${partnerName}`}, {say`breaker`} {breaker}, {positionWords}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        {(instrument === 'low-impedance-meter' || instrument === 'high-impedance-meter') && (
          <>
            <Button
              look="main"
              className="min-w-24 text-lg"
              onClick={() => record(nominalVolts)}
            >{say`${nominalVolts} V`}</Button>
            <Button look="main" className="min-w-24 text-lg" onClick={() => record(0)}>{say`0 V`}</Button>
          </>
        )}
        {instrument === 'clamp' && (
          <Button look="main" className="min-w-24 text-lg" onClick={() => record(0)}>{say`0 A`}</Button>
        )}
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`Other (${INSTRUMENT_UNITS[instrument]})`}
          <input
            value={typed}
            inputMode="decimal"
            onChange={event => setTyped(event.target.value)}
            onKeyDown={event => event.key === 'Enter' && value >= 0 && record(value)}
            className={`${FIELD_LOOK} w-28`}
          />
        </label>
        <Button
          disabled={!(value >= 0 && value <= 100000)}
          onClick={() => record(value)}
        >{say`Record`}</Button>
      </div>
      {isTwoPoint && (
        <PickOne
          label={say`From ${strand.name} to`}
          value={partner}
          options={[
            ...view.ends
              .filter(each => each.end.id !== strand.end.id)
              .map(each => ({ value: each.end.id, words: each.name })),
            { value: 'outside', words: say`A known ground outside` },
          ]}
          onCommit={setPartner}
        />
      )}
      <div className="flex flex-wrap gap-x-8 gap-y-3">
        <PickOne
          label={say`Breaker`}
          value={breaker}
          options={[
            { value: 'on', words: say`On` },
            { value: 'off', words: say`Off` },
          ]}
          onCommit={setBreaker}
        />
        <PickOne label={say`Switch`} value={position} options={positions} onCommit={setPosition} />
        {held.length > 0 && (
          <PickOne
            label={say`Lamps out of their holders`}
            value={lampsOut}
            options={[
              { value: NONE, words: say`None` },
              ...held.map(({ group }) => ({ value: group.id, words: group.name })),
            ]}
            onCommit={setLampsOut}
          />
        )}
        {held.length > 0 && position !== 'separated' && (
          <PickOne
            label={say`Device off its wires`}
            value={off}
            options={[
              { value: NONE, words: say`None` },
              ...held.map(({ place, found }) => ({
                value: found!.id,
                words: capital(theControl(view.record, place)),
              })),
            ]}
            onCommit={setOff}
          />
        )}
      </div>
      <details>
        <summary className="min-h-11 py-2 font-semibold">{say(INSTRUMENT_WORDS[instrument])}</summary>
        <PickOne
          label={say`Instrument`}
          value={instrument}
          options={BEARING.map(each => ({
            value: each,
            words: say(INSTRUMENT_WORDS[each]),
          }))}
          onCommit={setInstrument}
        />
      </details>
    </div>
  )
}
