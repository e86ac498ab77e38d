import { useState } from 'react'
import { lockWay } from '@/core/model/house-rules'
import { FIELD_LOOK } from '../../primitives/field-look'
import { useJob } from '../../job/provider'
import { Button } from '../../primitives/button'
import { LOCK_WORDS, namesIn } from './use-locks'
import { useSay } from '../../words/use-say'

/** Off, and kept off: by whom. */
export function LockOff({
  of,
  disabled = false,
  onLock,
}: {
  /** Which breaker, where it does not stand beside. */
  of?: string
  disabled?: boolean
  onLock: (keyWith: string) => void
}) {
  const say = useSay()

  const { record } = useJob()
  const names = namesIn(record)
  const [typed, setTyped] = useState<string | null>(names.length === 0 ? '' : null)
  const says = say(LOCK_WORDS[lockWay(record)])
  const name = typed?.trim() ?? ''
  return (
    <div
      role="group"
      aria-label={of ? `${of}: ${says}` : says}
      className="flex w-full flex-wrap items-center gap-2"
    >
      <span className="font-semibold">{says}</span>
      {names.map(each => (
        <Button
          key={each}
          look="main"
          disabled={disabled}
          onClick={() => onLock(each)}
          aria-label={`${says} ${each}`}
        >
          {each}
        </Button>
      ))}
      {typed === null ? (
        <Button disabled={disabled} onClick={() => setTyped('')}>{say`Somebody else`}</Button>
      ) : (
        <>
          <input
            aria-label={say`Name of who keeps it off`}
            autoComplete="off"
            maxLength={80}
            value={typed}
            disabled={disabled}
            onChange={event => setTyped(event.target.value)}
            onKeyDown={event => event.key === 'Enter' && name !== '' && onLock(name)}
            className={`${FIELD_LOOK} w-44 disabled:opacity-50`}
          />
          <Button
            look="main"
            disabled={disabled || name === ''}
            onClick={() => onLock(name)}
          >{say`That one`}</Button>
        </>
      )}
    </div>
  )
}
