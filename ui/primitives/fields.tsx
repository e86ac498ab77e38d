'use client'

import { useEffect, useId, useRef, type ReactNode } from 'react'
import { FIELD_LOOK } from './field-look'
import { useSay } from '../words/use-say'
import { Button } from './button'
import { typedNumber } from './typed-number'
import { useTyped, useTypedAs, type Typed } from './use-typed'

const INPUT = `${FIELD_LOOK} w-full py-2 text-ink hover:border-ink aria-invalid:border-[3px]`

interface Labelled {
  readonly label: string
  readonly hint?: string
  /** The label is for who cannot see what stands around it. */
  readonly labelHidden?: boolean
}

function Frame({
  id,
  label,
  hint,
  labelHidden = false,
  children,
}: Labelled & { id: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className={labelHidden ? 'sr-only' : 'text-sm font-semibold'}>
        {label}
      </label>
      {children}
      {hint && (
        <p id={`${id}-hint`} className="text-sm text-soft">
          {hint}
        </p>
      )}
    </div>
  )
}

/**
 * Text that is stored when it is left or Enter is pressed, so that each edit is one command; `live` where it goes into
 * a form that is sent by a button.
 */
export function TextField({
  label,
  hint,
  value,
  onCommit,
  max,
  required = false,
  multiline = false,
  live = false,
  suggestions = [],
  placeholder,
}: Labelled & {
  value: string
  onCommit: (value: string) => void
  max: number
  required?: boolean
  multiline?: boolean
  live?: boolean
  suggestions?: readonly string[]
  /** What it is called as long as nothing is typed. */
  placeholder?: string
}) {
  const id = useId()
  const field = useRef<HTMLInputElement & HTMLTextAreaElement>(null)
  const { draft, type: setDraft, ...typed } = useTyped(value, field)
  const typedAs = useTypedAs(label)
  const invalid = required && draft.trim() === ''
  const commit = () => {
    const next = draft.trim()
    if (live || typed.theirs !== null) return
    typed.given()
    if (invalid) typed.takeTheirs()
    else if (next !== value) onCommit(next)
  }
  const shared = {
    id,
    value: draft,
    maxLength: max,
    placeholder,
    'aria-invalid': invalid || undefined,
    'aria-describedby': hint ? `${id}-hint` : undefined,
    onBlur: commit,
    className: INPUT,
    ref: field,
    ...typedAs,
  }
  return (
    <Frame id={id} label={label} hint={hint}>
      {multiline ? (
        <textarea {...shared} rows={3} onChange={event => setDraft(event.target.value)} />
      ) : (
        <input
          {...shared}
          list={suggestions.length > 0 ? `${id}-list` : undefined}
          onChange={event => {
            setDraft(event.target.value)
            if (live) onCommit(event.target.value)
          }}
          onKeyDown={event => event.key === 'Enter' && commit()}
        />
      )}
      {suggestions.length > 0 && (
        <datalist id={`${id}-list`}>
          {suggestions.map(each => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
      <Meanwhile typed={typed} draft={draft} onOurs={() => onCommit(draft.trim())} />
    </Frame>
  )
}

/** A number with its range; left empty it is not known, or as `empty` says, where that is allowed. */
export function NumberField({
  label,
  hint,
  value,
  onCommit,
  min,
  max,
  unit,
  nullable = false,
  empty,
  live = false,
}: Labelled & {
  value: number | null
  onCommit: (value: number | null) => void
  min: number
  max: number
  unit?: string
  nullable?: boolean
  /** What stands there while it is left empty. */
  empty?: string
  /** It goes into a form that is sent by a button. */
  live?: boolean
}) {
  const say = useSay()

  const id = useId()
  const field = useRef<HTMLInputElement>(null)
  const { draft, type: setDraft, ...typed } = useTyped(value === null ? '' : String(value), field)
  const typedAs = useTypedAs(label)
  const parsed = draft.trim() === '' ? null : typedNumber(draft)
  const wrong = parsed === null ? !nullable : !Number.isFinite(parsed) || parsed < min || parsed > max
  const commit = () => {
    if (wrong || typed.theirs !== null) return
    typed.given()
    if (parsed !== value) onCommit(parsed)
  }
  const says = wrong
    ? say`From ${min} to ${max}${unit ? ` ${unit}` : ''}${nullable ? say`, or empty` : ''}.`
    : hint
  return (
    <Frame id={id} label={unit ? `${label} (${unit})` : label} hint={says}>
      <input
        id={id}
        ref={field}
        {...typedAs}
        value={draft}
        inputMode="decimal"
        autoComplete="off"
        aria-invalid={wrong || undefined}
        aria-describedby={says ? `${id}-hint` : undefined}
        onChange={event => {
          setDraft(event.target.value)
          if (live) onCommit(numberIn(event.target.value, min, max))
        }}
        onBlur={() => !live && commit()}
        onKeyDown={event => event.key === 'Enter' && !live && commit()}
        placeholder={nullable ? (empty ?? say`not known`) : undefined}
        className={INPUT}
      />
      {!wrong && <Meanwhile typed={typed} draft={draft} onOurs={() => onCommit(parsed)} />}
    </Frame>
  )
}

/** Both values where somebody else stored another while this was being typed: one press each. */
function Meanwhile({
  typed,
  draft,
  onOurs,
}: {
  typed: Pick<Typed, 'theirs' | 'takeTheirs' | 'keepOurs' | 'given'>
  draft: string
  onOurs: () => void
}) {
  const say = useSay()

  const both = useRef<HTMLDivElement>(null)
  useEffect(() => {
    if (typed.theirs !== null) both.current?.scrollIntoView({ block: 'nearest' })
  }, [typed.theirs])
  if (typed.theirs === null) return null
  const ours = () => {
    typed.keepOurs()
    typed.given()
    onOurs()
  }
  return (
    <div ref={both} role="alert" className="hazard flex flex-col gap-2 p-2">
      <p className="font-semibold">{say`Somebody changed this while you typed`}</p>
      <div className="flex flex-wrap gap-2">
        <Button onClick={ours}>{say`Yours: “${draft.trim()}”`}</Button>
        <Button onClick={typed.takeTheirs}>{say`Theirs: “${typed.theirs}”`}</Button>
      </div>
    </div>
  )
}

/** What was typed as a number of the range; null where it is none. */
function numberIn(typed: string, min: number, max: number): number | null {
  const value = typedNumber(typed)
  return value >= min && value <= max ? value : null
}

/** A day, as YYYY-MM-DD. */
export function DateField({
  label,
  hint,
  value,
  onCommit,
}: Labelled & { value: string; onCommit: (value: string) => void }) {
  const id = useId()
  return (
    <Frame id={id} label={label} hint={hint}>
      <input
        id={id}
        type="date"
        value={value}
        onChange={event => event.target.value && onCommit(event.target.value)}
        className={INPUT}
      />
    </Frame>
  )
}

export interface Option<Value extends string> {
  readonly value: Value
  readonly words: string
}

export function SelectField<Value extends string>({
  label,
  hint,
  labelHidden = false,
  value,
  options,
  onCommit,
}: Labelled & {
  value: Value
  options: readonly Option<Value>[]
  onCommit: (value: Value) => void
}) {
  const id = useId()
  return (
    <Frame id={id} label={label} hint={hint} labelHidden={labelHidden}>
      <select
        id={id}
        value={value}
        aria-describedby={hint ? `${id}-hint` : undefined}
        onChange={event => onCommit(event.target.value as Value)}
        className={INPUT}
      >
        {options.map(option => (
          <option key={option.value} value={option.value}>
            {option.words}
          </option>
        ))}
      </select>
    </Frame>
  )
}

/** A few choices as big buttons in a row: one press each. */
export function PickOne<Value extends string>({
  label,
  value,
  options,
  onCommit,
  hint,
  labelHidden = false,
  inOneRow = false,
}: Labelled & {
  value: Value | null
  options: readonly (Option<Value> & { readonly mark?: ReactNode })[]
  onCommit: (value: Value) => void
  /** Where height is dear: what has no room beside the others is reached by moving the row. */
  inOneRow?: boolean
}) {
  const name = useId()
  return (
    <fieldset className="min-w-0">
      <legend className={labelHidden ? 'sr-only' : 'mb-1 text-sm font-semibold'}>{label}</legend>
      <div
        className={
          inOneRow ? '-m-1 flex gap-2 overflow-x-auto p-1 [scrollbar-width:thin]' : 'flex flex-wrap gap-2'
        }
      >
        {options.map(option => (
          <label
            key={option.value}
            className={`${inOneRow ? 'shrink-0' : ''} relative flex min-h-11 items-center gap-2 rounded-lg border-[1.5px] border-ink/50 bg-sheet px-3 py-2 has-checked:border-plum has-checked:bg-plum has-checked:text-on-plum has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-plum`}
          >
            <input
              type="radio"
              name={name}
              value={option.value}
              checked={value === option.value}
              onChange={() => onCommit(option.value)}
              className="absolute inset-0 m-0 h-full w-full opacity-0"
            />
            {option.mark}
            <span>{option.words}</span>
          </label>
        ))}
      </div>
      {hint && <p className="mt-1 text-sm text-soft">{hint}</p>}
    </fieldset>
  )
}

export function CheckField({
  label,
  labelHidden = false,
  value,
  onCommit,
}: {
  label: string
  /** Where the room is too narrow for it: seen at a hover. */
  labelHidden?: boolean
  value: boolean
  onCommit: (value: boolean) => void
}) {
  return (
    <label className="flex min-h-11 min-w-11 items-center gap-3" title={labelHidden ? label : undefined}>
      <input
        type="checkbox"
        checked={value}
        onChange={event => onCommit(event.target.checked)}
        className="h-6 w-6 shrink-0 accent-(--plum)"
      />
      <span className={labelHidden ? 'sm:sr-only' : ''}>{label}</span>
    </label>
  )
}
