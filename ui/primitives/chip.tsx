import type { Insulation } from '@/core/model/vocabulary'
import { useSay } from '../words/use-say'

/** A chip of insulation as it looks, beside its word. */
export function Chip({ insulation }: { insulation: Insulation }) {
  const say = useSay()

  const background =
    insulation === 'green-yellow'
      ? say`linear-gradient(90deg, var(--wire-green) 50%, var(--wire-yellow) 50%)`
      : `var(--wire-${insulation})`
  return (
    <span
      aria-hidden="true"
      className="h-5 w-5 rounded-full border-[1.5px] border-current"
      style={{ background }}
    />
  )
}
