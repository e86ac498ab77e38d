import { useState, type FormEvent } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { theControl } from '@/core/job/place-name'
import { BLANK } from '@/core/model/blank-rows'
import { FIELD_LOOK } from '../../primitives/field-look'
import { Link } from '../../job/link'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { typedNumber } from '../../primitives/typed-number'
import { useSay } from '../../words/use-say'
import { useBreakers } from './use-breakers'

/** Breakers that have a button each; with more of them they are chosen from the list. */
const BREAKERS_SHOWN = 8
const MOST_LAMPS = 200
const MOST_WATTS = 20_000

const INPUT = `${FIELD_LOOK} w-24`

/** How many lamps hang on a switch, and of how many watts; what else is printed on them is said further down. */
export function LampsNext({ view, place: { place, group } }: { view: BoxView; place: PlaceView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [count, setCount] = useState('')
  const [watts, setWatts] = useState('')
  const [lamps, each] = [typedNumber(count), watts.trim() === '' ? null : typedNumber(watts)]
  const isCounted = Number.isInteger(lamps) && lamps >= 1 && lamps <= MOST_LAMPS
  const isUsable = isCounted && (each === null || (each >= 0 && each <= MOST_WATTS))
  const record = (event: FormEvent) => {
    event.preventDefault()
    if (!isUsable) return
    edits.send('add a load', [
      edits.add('loads', {
        ...BLANK.loads,
        id: edits.newId(),
        groupId: group.id,
        name: group.name,
        count: lamps,
        wattsEach: each,
      }),
    ])
  }
  return (
    <form onSubmit={record} className="flex flex-col gap-2">
      <p className="font-semibold">
        {view.places.length > 1
          ? say`What lamps does ${theControl(view.record, place)} switch?`
          : say`What lamps does it switch?`}
      </p>
      <div className="flex flex-wrap items-end gap-2">
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`How many lamps`}
          <input
            required
            inputMode="numeric"
            value={count}
            onChange={event => setCount(event.target.value)}
            className={INPUT}
          />
        </label>
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {say`Of how many watts`}
          <input
            inputMode="decimal"
            value={watts}
            onChange={event => setWatts(event.target.value)}
            className={INPUT}
          />
        </label>
        <Button look="main" type="submit" disabled={!isUsable}>{say`Record them`}</Button>
      </div>
    </form>
  )
}

/** Which breaker feeds the box: one of the panel’s, one that is not listed yet, or nobody knows. */
export function BreakerNext({ view }: { view: BoxView }) {
  const say = useSay()

  const { free, feeds, feedsFrom } = useBreakers(view)
  const [breaker, setBreaker] = useState('')
  const add = (event: FormEvent) => {
    event.preventDefault()
    if (breaker.trim() !== '' && feedsFrom(breaker)) setBreaker('')
  }
  return (
    <form onSubmit={add} className="flex flex-col gap-2">
      <p className="font-semibold">{say`Which breaker feeds it, by its label?`}</p>
      <div className="flex flex-wrap items-end gap-2">
        {free.length <= BREAKERS_SHOWN &&
          free.map(circuit => (
            <Button
              key={circuit.id}
              aria-label={say`Breaker ${circuit.breaker}: ${circuit.label || say`no label`}`}
              onClick={() => feeds(circuit.id)}
            >
              {circuit.breaker} {circuit.label}
            </Button>
          ))}
        {free.length > BREAKERS_SHOWN && (
          <label className="flex flex-col gap-1 text-sm font-semibold">
            {say`Of the panel`}
            <select value="" onChange={event => feeds(event.target.value)} className={`${INPUT} w-44`}>
              <option value="" disabled>{say`Choose`}</option>
              {free.map(circuit => (
                <option key={circuit.id} value={circuit.id}>
                  {circuit.breaker} {circuit.label}
                </option>
              ))}
            </select>
          </label>
        )}
        <label className="flex flex-col gap-1 text-sm font-semibold">
          {free.length === 0 ? say`Its number` : say`Another number`}
          <input
            value={breaker}
            maxLength={12}
            onChange={event => setBreaker(event.target.value)}
            className={INPUT}
          />
        </label>
        <Button look="main" type="submit" disabled={breaker.trim() === ''}>{say`Feeds it`}</Button>
        <Link
          href={`/jobs/${view.record.job.id}/boxes/${view.box.id}/breaker`}
          className="inline-flex min-h-11 items-center font-semibold underline decoration-rule underline-offset-4"
        >{say`Nobody knows: hunt for it`}</Link>
      </div>
    </form>
  )
}
