'use client'

import { useState } from 'react'
import type { DeviceModel, Rating } from '@/core/model/device'
import { OPENINGS, RATING_KINDS, type RatingKind } from '@/core/model/vocabulary'
import { FIELD_LOOK } from '../primitives/field-look'
import { Button } from '../primitives/button'
import { CheckField, NumberField, PickOne, TextField } from '../primitives/fields'
import { OPENING_WORDS, RATING_WORDS } from './device-words'
import { useSay } from '../words/use-say'

const UNITS = ['W', 'VA', 'A', 'hp'] as const
const USUAL_UNIT: Readonly<Record<RatingKind, Rating['unit']>> = {
  tungsten: 'W',
  led: 'W',
  'electronic-transformer': 'VA',
  'magnetic-transformer': 'VA',
  'electronic-ballast': 'A',
  inductive: 'A',
  motor: 'hp',
  general: 'A',
}

/** What a price list and a data sheet say of a device. What is inside stays as it is: copy a kind that has it. */
export function DeviceForm({
  device,
  onSave,
  onCancel,
}: {
  device: DeviceModel
  onSave: (device: DeviceModel) => Promise<void>
  onCancel: () => void
}) {
  const say = useSay()

  const [draft, setDraft] = useState(device)
  const set = (fields: Partial<DeviceModel>) => setDraft(now => ({ ...now, ...fields }))
  const changed = JSON.stringify(draft) !== JSON.stringify(device)
  return (
    <form
      className="flex flex-col gap-4"
      onSubmit={event => {
        event.preventDefault()
        if (changed) void onSave(draft)
        else onCancel()
      }}
    >
      <TextField label={say`Name`} value={draft.name} max={80} required onCommit={name => set({ name })} />
      <div className="grid grid-cols-2 gap-3 sm:grid-cols-4">
        <NumberField
          label={say`Price`}
          value={draft.price}
          min={0}
          max={100000}
          onCommit={price => price !== null && set({ price })}
        />
        <NumberField
          label={say`Minutes`}
          value={draft.minutes}
          min={0}
          max={600}
          onCommit={minutes => minutes !== null && set({ minutes })}
        />
        <NumberField
          label={say`Depth`}
          unit={say`mm`}
          value={draft.size.depthMillimetres}
          min={1}
          max={100}
          onCommit={depth => depth && set({ size: { ...draft.size, depthMillimetres: depth } })}
        />
        <NumberField
          label={say`Gangs`}
          value={draft.size.gangs}
          min={1}
          max={4}
          onCommit={gangs => gangs && set({ size: { ...draft.size, gangs: Math.round(gangs) } })}
        />
      </div>
      <Ratings ratings={draft.ratings} onChange={ratings => set({ ratings })} />
      <PickOne
        label={say`Opening of its plate`}
        value={draft.opening}
        options={OPENINGS.map(value => ({ value, words: say(OPENING_WORDS[value]) }))}
        onCommit={opening => set({ opening })}
      />
      <TextField
        label={say`Finishes, with a semicolon between`}
        value={draft.finishes.join('; ')}
        max={400}
        onCommit={text => set({ finishes: parted(text, ';') })}
      />
      <div className="grid gap-x-6 sm:grid-cols-2">
        <CheckField
          label={say`May drive a motor`}
          value={draft.motorAllowed}
          onCommit={motorAllowed => set({ motorAllowed })}
        />
        <CheckField
          label={say`May control a receptacle`}
          value={draft.receptacleAllowed}
          onCommit={receptacleAllowed => set({ receptacleAllowed })}
        />
        <CheckField
          label={say`Its ground must be connected`}
          value={draft.groundRequired}
          onCommit={groundRequired => set({ groundRequired })}
        />
        <CheckField label={say`Glows in the dark`} value={draft.glows} onCommit={glows => set({ glows })} />
      </div>
      <TextField
        label={say`Notes, one a line`}
        value={draft.instructions.notes.join('\n')}
        max={2000}
        multiline
        onCommit={text => set({ instructions: { ...draft.instructions, notes: parted(text, '\n') } })}
      />
      <div className="flex flex-wrap gap-2">
        <Button type="submit" look="main">{say`Save`}</Button>
        <Button onClick={onCancel}>{changed ? say`Leave it as it was` : say`Back`}</Button>
      </div>
    </form>
  )
}

const parted = (text: string, by: string): string[] =>
  text
    .split(by)
    .map(each => each.trim())
    .filter(each => each !== '')

function Ratings({
  ratings,
  onChange,
}: {
  ratings: readonly Rating[]
  onChange: (ratings: readonly Rating[]) => void
}) {
  const say = useSay()

  const change = (kind: RatingKind, fields: Partial<Rating>) =>
    onChange(ratings.map(each => (each.kind === kind ? { ...each, ...fields } : each)))
  const limit = (kind: RatingKind, value: number | null) => {
    if (value === null) return onChange(ratings.filter(each => each.kind !== kind))
    return ratings.some(each => each.kind === kind)
      ? change(kind, { limit: value })
      : onChange([...ratings, { kind, unit: USUAL_UNIT[kind], limit: value, oneSide: null, bothSides: null }])
  }
  return (
    <fieldset className="min-w-0">
      <legend className="text-sm font-semibold">{say`Ratings; an empty one is not rated for it`}</legend>
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label={say`Ratings`}>
        <table className="w-full text-left text-sm">
          <thead>
            <tr>
              {[say`Load`, say`At most`, say`Unit`, say`Fins off, one side`, say`Both sides`].map(each => (
                <th key={each} scope="col" className="p-1 font-semibold">
                  {each}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {RATING_KINDS.map(kind => {
              const own = ratings.find(each => each.kind === kind)
              return (
                <tr key={kind} className="align-bottom">
                  <th scope="row" className="p-1 pb-3 font-normal">
                    {say(RATING_WORDS[kind])}
                  </th>
                  <td className="p-1">
                    <Cell
                      label={say`${say(RATING_WORDS[kind])}, at most`}
                      value={own?.limit ?? null}
                      onCommit={value => limit(kind, value)}
                    />
                  </td>
                  <td className="p-1">
                    <select
                      aria-label={say`${say(RATING_WORDS[kind])}, unit`}
                      value={own?.unit ?? USUAL_UNIT[kind]}
                      disabled={!own}
                      onChange={event => change(kind, { unit: event.target.value as Rating['unit'] })}
                      className={`${FIELD_LOOK} disabled:opacity-50`}
                    >
                      {UNITS.map(unit => (
                        <option key={unit}>{unit}</option>
                      ))}
                    </select>
                  </td>
                  <td className="p-1">
                    <Cell
                      label={say`${say(RATING_WORDS[kind])}, fins off on one side`}
                      value={own?.oneSide ?? null}
                      disabled={!own}
                      onCommit={oneSide => change(kind, { oneSide })}
                    />
                  </td>
                  <td className="p-1">
                    <Cell
                      label={say`${say(RATING_WORDS[kind])}, fins off on both sides`}
                      value={own?.bothSides ?? null}
                      disabled={!own}
                      onCommit={bothSides => change(kind, { bothSides })}
                    />
                  </td>
                </tr>
              )
            })}
          </tbody>
        </table>
      </div>
    </fieldset>
  )
}

/** A figure of the table, or none. What is no figure is not taken. */
function Cell({
  label,
  value,
  disabled = false,
  onCommit,
}: {
  label: string
  value: number | null
  disabled?: boolean
  onCommit: (value: number | null) => void
}) {
  const [draft, setDraft] = useState<string | null>(null)
  const shown = draft ?? (value === null ? '' : String(value))
  const parsed = shown.trim() === '' ? null : Number(shown.replace(',', '.'))
  const wrong = parsed !== null && !(parsed > 0)
  return (
    <input
      aria-label={label}
      aria-invalid={wrong || undefined}
      value={shown}
      inputMode="decimal"
      disabled={disabled}
      onChange={event => setDraft(event.target.value)}
      onBlur={() => {
        if (!wrong && parsed !== value) onCommit(parsed)
        setDraft(null)
      }}
      className={`${FIELD_LOOK} w-24 aria-invalid:border-[3px] disabled:opacity-50`}
    />
  )
}
