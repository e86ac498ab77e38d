import type { ButtonHTMLAttributes } from 'react'

type Kind = 'main' | 'plain' | 'quiet'

const LOOKS: Readonly<Record<Kind, string>> = {
  main: 'bg-plum text-on-plum border-plum hover:brightness-110',
  plain: 'bg-sheet text-ink border-ink/60 hover:border-ink',
  quiet:
    'bg-transparent text-ink border-transparent underline decoration-rule underline-offset-4 hover:decoration-ink',
}

interface ButtonProps extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: Kind
}

/** At least 44 pixels high: it is pressed at the wall, with a thumb. */
export function Button({ look = 'plain', className = '', type = 'button', ...rest }: ButtonProps) {
  return (
    <button
      type={type}
      className={`inline-flex min-h-11 items-center justify-center gap-2 rounded-lg border-[1.5px] px-4 py-2 text-left font-semibold disabled:opacity-50 ${LOOKS[look]} ${className}`}
      {...rest}
    />
  )
}
