'use client'

import { useState } from 'react'
import { FIELD_LOOK } from './field-look'
import { Button } from './button'
import { useSay } from '../words/use-say'
import { typedNumber } from './typed-number'

/** A figure that an instrument showed and no button says: typed, and recorded with Enter or a press. */
export function FigureField({
  label,
  most,
  disabled = false,
  onRead,
}: {
  /** With its unit. */
  label: string
  most: number
  disabled?: boolean
  onRead: (value: number) => void
}) {
  const say = useSay()

  const [typed, setTyped] = useState('')
  const value = typedNumber(typed)
  const usable = value >= 0 && value <= most
  const read = () => {
    onRead(value)
    setTyped('')
  }
  return (
    <div className="flex items-end gap-2">
      <label className="flex flex-col gap-1 text-sm font-semibold">
        {label}
        <input
          value={typed}
          inputMode="decimal"
          disabled={disabled}
          onChange={event => setTyped(event.target.value)}
          onKeyDown={event => event.key === 'Enter' && usable && read()}
          className={`${FIELD_LOOK} w-32 disabled:opacity-50`}
        />
      </label>
      <Button disabled={disabled || !usable} onClick={read}>{say`Record`}</Button>
    </div>
  )
}
