import { Button } from '../../primitives/button'
import { FigureField } from '../../primitives/figure-field'

const MOST_AMPS = 200

/** A current that was read: nothing flows, or so many amperes. */
export function AmpsField({
  of,
  disabled = false,
  onRead,
}: {
  /** What the jaws are round. */
  of: string
  disabled?: boolean
  onRead: (amps: number) => void
}) {
  return (
    <div className="flex flex-wrap items-end gap-2">
      <Button look="main" disabled={disabled} onClick={() => onRead(0)} aria-label={`${of}: 0 A`}>
        0 A
      </Button>
      <FigureField label="Another current (A)" most={MOST_AMPS} disabled={disabled} onRead={onRead} />
    </div>
  )
}
