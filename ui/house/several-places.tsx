'use client'

import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { Room } from '@/core/model/entities'
import { isMiddle, isTwoPlace } from '@/core/model/make-up'
import { rowsOf } from '@/core/model/record'
import { regionOf } from '@/core/model/regions'
import { devicesFor } from '@/core/model/trade'
import { LAMP_KINDS, type Gauge, type LampKind } from '@/core/model/vocabulary'
import { arrangementsOf, freeLightName, severalPlaces, type Arrangement } from '@/core/recording'
import { useEdits, useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { NumberField, PickOne, SelectField, TextField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { Sheet } from '../primitives/sheet'
import { LAMP_WORDS } from '../words'
import { ArrangementSketch } from './arrangement-sketch'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { goTo } from '../job/link'

interface LampsSaid {
  readonly kind: LampKind
  readonly count: number | null
  readonly watts: number | null
}

const COUNTS = ['2', '3', '4'] as const
const USUAL = 6
const PLACE_NAMES: Readonly<Record<string, readonly string[]>> = {
  2: ['First', 'Second'],
  3: ['First', 'Middle', 'Last'],
  4: ['First', 'Second', 'Third', 'Last'],
}

/** A light with switches in several places, started whole as it is usually wired, then corrected box by box. */
export function SeveralPlaces({
  recorded = null,
  onClose,
}: {
  /** A place with nothing in its box yet, which is one of them. */
  recorded?: { readonly view: BoxView; readonly place: PlaceView } | null
  onClose: () => void
}) {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const edits = useEdits(recorded?.view.box.id ?? null)
  const region = regionOf(record.job.regionId)
  const rooms = rowsOf(record, 'rooms')
  const [light, setLight] = useState('')
  const [count, setCount] = useState<(typeof COUNTS)[number]>('2')
  const firstRoom = recorded?.view.room.name ?? rooms[0]?.name ?? ''
  const [here, setHere] = useState(0)
  const [places, setPlaces] = useState<readonly { room: string | null; name: string | null }[]>([])
  const [arrangement, setArrangement] = useState<Arrangement | null>(null)
  const [lamps, setLamps] = useState<LampsSaid>({
    kind: 'led',
    count: null,
    watts: null,
  })
  const [circuitId, setCircuitId] = useState('none')
  const [gauge, setGauge] = useState<Gauge>(region.usualGauge)
  const olds = devicesFor(trade, region.id, 'found')
  const end = olds.find(isTwoPlace)
  const middle = olds.find(isMiddle)
  const named = Array.from({ length: Number(count) }, (_, at) => {
    // A room that was named for one place is the next one’s too, until it says another.
    const room = [...places.slice(0, at + 1)].reverse().find(each => each?.room != null)?.room ?? firstRoom
    return { room, name: places[at]?.name ?? say(PLACE_NAMES[count]![at]!) }
  })
  const isHere = (at: number) => recorded !== null && at === Math.min(here, named.length - 1)
  const names = named.map(({ name }, at) => (isHere(at) ? recorded!.view.box.name : name))
  const put = (at: number, said: { room?: string; name?: string }) =>
    setPlaces(
      Array.from({ length: Math.max(places.length, at + 1) }, (_, index) => ({
        room: places[index]?.room ?? null,
        name: places[index]?.name ?? null,
        ...(index === at ? said : {}),
      })),
    )
  const lightName = light.trim() || freeLightName(record, say`${named[0]!.room || say`New`} light`)
  const asksLamps = recorded === null || recorded.place.loads.length === 0
  const ready =
    arrangement !== null &&
    end !== undefined &&
    middle !== undefined &&
    named.every(({ room, name }) => room.trim() !== '' && name.trim() !== '')
  const add = () => {
    const { edits: all, boxIds } = severalPlaces(edits, record, {
      arrangement: arrangement!,
      lightName,
      places: named.map(({ room, name }, at) =>
        isHere(at)
          ? { kind: 'recorded', placeId: recorded!.place.place.id }
          : {
              kind: 'new',
              roomName: room.trim(),
              floor: recorded?.view.room.floor ?? '',
              name: name.trim(),
            },
      ),
      lamps:
        asksLamps && lamps.count !== null && lamps.watts !== null
          ? { kind: lamps.kind, count: Math.round(lamps.count), wattsEach: lamps.watts }
          : null,
      gauge,
      circuitId: circuitId === 'none' ? null : circuitId,
      switches: { end: end!, middle: middle! },
    })
    if (!edits.send('add a light of several places', all)) return
    onClose()
    goTo(`/jobs/${record.job.id}/boxes/${boxIds[0]}/look`)
  }
  const all = arrangementsOf(Number(count))
  return (
    <Sheet
      title={say`A light with switches in several places`}
      open
      onClose={onClose}
      wide
      footer={<Button look="main" disabled={!ready} onClick={add}>{say`Record it so, and look`}</Button>}
    >
      <PickOne
        label={say`Switches`}
        value={count}
        options={COUNTS.map(value => ({ value, words: value }))}
        onCommit={value => {
          setCount(value)
          setArrangement(null)
        }}
      />
      {recorded ? (
        <PickOne
          label={say`${recorded.view.box.name} is number`}
          value={String(Math.min(here, named.length - 1) + 1)}
          options={named.map((_, at) => ({ value: String(at + 1), words: String(at + 1) }))}
          onCommit={value => setHere(Number(value) - 1)}
        />
      ) : (
        <TextField
          label={say`The light`}
          value={light}
          placeholder={lightName}
          max={80}
          onCommit={setLight}
          live
        />
      )}
      <Places {...{ named, rooms, isHere, recorded }} onPut={put} />
      <div>
        <p className="mb-1 text-sm font-semibold">{say`How it is wired, as far as can be told`}</p>
        <Arrangements all={all.slice(0, USUAL)} {...{ arrangement, names }} onPick={setArrangement} />
        <Folded summary={<summary className="min-h-11 py-2 font-semibold">{say`Less usual`}</summary>}>
          <Arrangements all={all.slice(USUAL)} {...{ arrangement, names }} onPick={setArrangement} />
        </Folded>
      </div>
      <LampsAndFeed
        lamps={asksLamps ? lamps : null}
        onLamps={setLamps}
        circuitId={circuitId}
        onCircuit={setCircuitId}
        gauge={gauge}
        onGauge={setGauge}
      />
    </Sheet>
  )
}

/** Its places, each by its room and where it is there. */
function Places({
  named,
  rooms,
  recorded,
  isHere,
  onPut,
}: {
  named: readonly { readonly room: string; readonly name: string }[]
  rooms: readonly Room[]
  recorded: { readonly view: BoxView } | null
  /** Whether a place is the one that is recorded already. */
  isHere: (at: number) => boolean
  onPut: (at: number, said: { room?: string; name?: string }) => void
}) {
  const say = useSay()

  return (
    <ol className="flex flex-col gap-2">
      {named.map(({ room, name }, at) => (
        <li key={at} className="grid grid-cols-[1.5rem_1fr_1fr] items-end gap-2">
          <strong className="pb-2.5 text-center">{at + 1}</strong>
          {isHere(at) ? (
            <p className="col-span-2 pb-2.5 font-semibold">{say`${recorded!.view.room.name} · ${recorded!.view.box.name}, this one`}</p>
          ) : (
            <>
              <TextField
                label={say`Room`}
                value={room}
                max={80}
                required
                suggestions={rooms.map(each => each.name)}
                onCommit={value => onPut(at, { room: value })}
                live
              />
              <TextField
                label={say`Where it is`}
                value={name}
                max={80}
                required
                onCommit={value => onPut(at, { name: value })}
                live
              />
            </>
          )}
        </li>
      ))}
    </ol>
  )
}

/** Ways of wiring it, drawn, one to be picked. */
function Arrangements({
  all,
  arrangement,
  names,
  onPick,
}: {
  all: readonly Arrangement[]
  arrangement: Arrangement | null
  names: readonly string[]
  onPick: (arrangement: Arrangement) => void
}) {
  const say = useSay()

  return (
    <div className="grid grid-cols-[repeat(auto-fill,minmax(9.5rem,1fr))] gap-2">
      {all.map((each, at) => (
        <button
          key={at}
          type="button"
          aria-pressed={JSON.stringify(each) === JSON.stringify(arrangement)}
          onClick={() => onPick(each)}
          className="flex flex-col items-center gap-1 rounded-lg border-[1.5px] border-ink/60 bg-sheet p-2 text-center text-sm font-semibold aria-pressed:border-plum aria-pressed:bg-plum aria-pressed:text-on-plum [&[aria-pressed=true]_.fill-sheet]:fill-plum"
        >
          <ArrangementSketch arrangement={each} />
          {arrangementWords(say, each, names)}
        </button>
      ))}
    </div>
  )
}

/** Its lamps, where nobody recorded them yet; its breaker; the gauge of its conductors. */
function LampsAndFeed({
  lamps,
  onLamps,
  circuitId,
  onCircuit,
  gauge,
  onGauge,
}: {
  lamps: LampsSaid | null
  onLamps: (lamps: LampsSaid) => void
  circuitId: string
  onCircuit: (id: string) => void
  gauge: Gauge
  onGauge: (gauge: Gauge) => void
}) {
  const say = useSay()

  const { record } = useJob()
  const region = regionOf(record.job.regionId)
  return (
    <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
      {lamps && (
        <>
          <div className="col-span-2 sm:col-span-1">
            <SelectField
              label={say`Lamps`}
              value={lamps.kind}
              options={LAMP_KINDS.map(value => ({ value, words: say(LAMP_WORDS[value]) }))}
              onCommit={kind => onLamps({ ...lamps, kind })}
            />
          </div>
          <NumberField
            label={say`Count`}
            value={lamps.count}
            min={1}
            max={200}
            nullable
            onCommit={value => onLamps({ ...lamps, count: value })}
            live
          />
          <NumberField
            label={say`Watts each`}
            value={lamps.watts}
            min={0}
            max={20000}
            nullable
            onCommit={watts => onLamps({ ...lamps, watts })}
            live
          />
        </>
      )}
      <SelectField
        label={say`Fed by breaker`}
        value={circuitId}
        options={[
          { value: 'none', words: say`Not found yet` },
          ...rowsOf(record, 'circuits').map(({ id, breaker, label }) => ({
            value: id,
            words: `${breaker}${label ? `: ${label}` : ''}`,
          })),
        ]}
        onCommit={onCircuit}
      />
      <SelectField
        label={say`Gauge`}
        value={gauge}
        options={region.gauges.map(value => ({ value, words: value }))}
        onCommit={onGauge}
      />
    </div>
  )
}

/** An arrangement in a few words, with the names of its places. */
function arrangementWords(say: Say, { feedAt, lampAt }: Arrangement, names: readonly string[]): string {
  const at = (place: number) => names[place] || `${place + 1}`
  const feed = feedAt === 'luminaire' ? say`Fed at the luminaire` : say`Fed at ${at(feedAt)}`
  return lampAt.kind === 'between'
    ? say`${feed}, lamp between ${at(lampAt.place)} and ${at(lampAt.place + 1)}`
    : say`${feed}, lamp off ${at(lampAt.place)}`
}
