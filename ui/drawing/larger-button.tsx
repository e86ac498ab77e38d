import { Icon } from '../primitives/icon'
import { useSay } from '../words/use-say'

/** A drawing in its parts, or whole; on a wide screen it is both. */
export function LargerButton({
  large,
  onChange,
  className = '',
}: {
  large: boolean
  onChange: (large: boolean) => void
  className?: string
}) {
  const say = useSay()

  const words = large ? say`The whole box` : say`Larger`
  return (
    <button
      type="button"
      data-chrome
      aria-pressed={large}
      aria-label={words}
      title={words}
      onClick={() => onChange(!large)}
      className={`${className} flex h-11 w-11 shrink-0 items-center justify-center rounded-lg border-[1.5px] border-ink/50 bg-sheet text-ink hover:border-ink wide:hidden`}
    >
      <Icon name={large ? 'smaller' : 'larger'} />
    </button>
  )
}
