import { useState } from 'react'
import { CLAMP_SHOWS_AMPS } from '@/core/model/limits'
import { FIELD_LOOK } from '../../primitives/field-look'
import { Button } from '../../primitives/button'
import { useSay } from '../../words/use-say'

const MOST_AMPS = 200

/**
 * A current as the clamp shows it: how many figures it shows says what is the least it can show. With `isIdle` none may
 * flow, and a clamp that shows whole amperes tells nothing.
 */
export function AmpsField({
  of,
  disabled = false,
  isIdle = false,
  onRead,
}: {
  /** What the jaws are round. */
  of: string
  disabled?: boolean
  isIdle?: boolean
  onRead: (amps: number, resolutionAmps: number) => void
}) {
  const say = useSay()

  const [typed, setTyped] = useState('')
  const shown = shownAs(typed)
  const usable = shown !== null && shown.amps <= MOST_AMPS
  const isCoarse = isIdle && shown?.amps === 0 && shown.resolution > CLAMP_SHOWS_AMPS
  const read = () => {
    if (!usable || isCoarse) return
    onRead(shown.amps, shown.resolution)
    setTyped('')
  }
  return (
    <div className="flex flex-wrap items-end gap-2">
      {['0.00', '0.0'].map((zero, at) => (
        <Button
          key={zero}
          look={at === 0 ? 'main' : 'plain'}
          disabled={disabled}
          onClick={() => onRead(0, shownAs(zero)!.resolution)}
          aria-label={say`${of}: it shows ${zero} A`}
        >{say`${zero} A`}</Button>
      ))}
      <label className="flex flex-col gap-1 text-sm font-semibold">
        {say`Another, as it shows it (A)`}
        <input
          value={typed}
          inputMode="decimal"
          disabled={disabled}
          aria-invalid={isCoarse}
          onChange={event => setTyped(event.target.value)}
          onKeyDown={event => event.key === 'Enter' && read()}
          className={`${FIELD_LOOK} w-32 disabled:opacity-50`}
        />
      </label>
      <Button disabled={disabled || !usable || isCoarse} onClick={read}>{say`Record`}</Button>
      {isCoarse && (
        <p
          role="alert"
          className="w-full font-semibold"
        >{say`A clamp that shows whole amperes shows 0 while a lamp is lit. Take one that shows tenths, or finer.`}</p>
      )}
    </div>
  )
}

/** What is shown, and the least that could be: 0.00 tells more than 0. Null where it is no figure. */
function shownAs(typed: string): { amps: number; resolution: number } | null {
  const plain = typed.trim().replace(',', '.')
  if (!/^\d{1,4}(\.\d{1,3})?$/.test(plain)) return null
  return { amps: Number(plain), resolution: 10 ** -(plain.split('.')[1]?.length ?? 0) }
}
