'use client'

import { useEffect, useId, useRef, useState, type ReactNode } from 'react'
import { useSay } from '../words/use-say'
import { typedNumber } from './typed-number'

const INPUT =
  'min-h-11 w-full rounded-lg border-[1.5px] border-ink/50 bg-sheet px-3 py-2 text-ink hover:border-ink aria-invalid:border-[3px]'

interface Labelled {
  readonly label: string
  readonly hint?: string
  /** The label is for who cannot see what stands around it. */
  readonly labelHidden?: boolean
}

function Frame({ id, label, hint, children }: Labelled & { id: string; children: ReactNode }) {
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className="text-sm font-semibold">
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
  keep,
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
  /** Under this name what is being typed outlives a reload. */
  keep?: string
}) {
  const id = useId()
  const [draft, setDraft] = useDraft(value)
  useKept(keep, value, draft, setDraft)
  const invalid = required && draft.trim() === ''
  const commit = () => {
    const next = draft.trim()
    if (live) return
    if (invalid) setDraft(value)
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
  const [draft, setDraft] = useDraft(value === null ? '' : String(value))
  const parsed = draft.trim() === '' ? null : typedNumber(draft)
  const wrong = parsed === null ? !nullable : !Number.isFinite(parsed) || parsed < min || parsed > max
  const commit = () => {
    if (!wrong && parsed !== value) onCommit(parsed)
  }
  const says = wrong
    ? say`From ${min} to ${max}${unit ? ` ${unit}` : ''}${nullable ? say`, or empty` : ''}.`
    : hint
  return (
    <Frame id={id} label={unit ? `${label} (${unit})` : label} hint={says}>
      <input
        id={id}
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
    </Frame>
  )
}

/** Keeps what is typed and not stored yet over a reload of the page. */
function useKept(name: string | undefined, stored: string, draft: string, setDraft: (draft: string) => void) {
  const key = name === undefined ? null : `every-room/typed/${name}`
  useEffect(() => {
    if (key === null) return
    const frame = requestAnimationFrame(() => {
      const kept = sessionStorage.getItem(key)
      if (kept !== null) setDraft(kept)
    })
    return () => cancelAnimationFrame(frame)
    // Once, when the field appears: from then on it is what is typed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])
  const typed = useRef(false)
  useEffect(() => {
    if (key === null) return
    if (draft !== stored) {
      typed.current = true
      try {
        sessionStorage.setItem(key, draft)
      } catch {
        // A browser that keeps nothing has it until the page goes.
      }
    } else if (typed.current) sessionStorage.removeItem(key)
  }, [key, draft, stored])
}

/** What was typed as a number of the range; null where it is none. */
function numberIn(typed: string, min: number, max: number): number | null {
  const value = typedNumber(typed)
  return value >= min && value <= max ? value : null
}

/** What is typed here, until what is stored changes under it. */
function useDraft(stored: string) {
  const [draft, setDraft] = useState(stored)
  const [seen, setSeen] = useState(stored)
  if (seen !== stored) {
    setSeen(stored)
    setDraft(stored)
  }
  return [draft, setDraft] as const
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
    <Frame id={id} label={label} hint={hint}>
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
}: Labelled & {
  value: Value | null
  options: readonly (Option<Value> & { readonly mark?: ReactNode })[]
  onCommit: (value: Value) => void
}) {
  const name = useId()
  return (
    <fieldset className="min-w-0">
      <legend className={labelHidden ? 'sr-only' : 'mb-1 text-sm font-semibold'}>{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(option => (
          <label
            key={option.value}
            className="relative flex min-h-11 items-center gap-2 rounded-lg border-[1.5px] border-ink/50 bg-sheet px-3 py-2 has-checked:border-plum has-checked:bg-plum has-checked:text-on-plum has-focus-visible:outline-3 has-focus-visible:outline-offset-2 has-focus-visible:outline-plum"
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
  value,
  onCommit,
}: {
  label: string
  value: boolean
  onCommit: (value: boolean) => void
}) {
  return (
    <label className="flex min-h-11 items-center gap-3">
      <input
        type="checkbox"
        checked={value}
        onChange={event => onCommit(event.target.checked)}
        className="h-6 w-6 shrink-0 accent-(--plum)"
      />
      <span>{label}</span>
    </label>
  )
}

/** True once the page runs in a browser: what needs one is not offered before. */
export function useRunning(): boolean {
  const [running, setRunning] = useState(false)
  useEffect(() => {
    const frame = requestAnimationFrame(() => setRunning(true))
    return () => cancelAnimationFrame(frame)
  }, [])
  return running
}
