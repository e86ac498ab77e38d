import type { ReactNode } from 'react'
import { Button } from '../primitives/button'
import { Folded } from '../primitives/folded'
import { useSay } from '../words/use-say'

/** Several things that one look confirms, the next to be done: with one press, or each by itself. */
export function AtOnce<
  Item extends { readonly key: string; readonly says: string; readonly expect?: string },
>({
  name,
  items,
  from,
  label,
  words,
  onDone,
  onPoint,
  children,
}: {
  /** What it is known by among what is next. */
  name: string
  items: readonly Item[]
  /** The number of the first, where they are numbered. */
  from?: number
  /** What the press does, for who does not see what stands above it; and its words. */
  label: string
  words: string
  onDone: () => void
  onPoint?: (item: Item | null) => void
  /** Each by itself. */
  children: ReactNode
}) {
  const say = useSay()

  return (
    <div data-next={name} className="rounded-lg border-2 border-plum p-3">
      <ol className="flex flex-col gap-1.5" start={from}>
        {items.map((item, at) => (
          <li
            key={item.key}
            className="flex gap-3 leading-snug"
            onPointerEnter={({ pointerType }) => pointerType === 'mouse' && onPoint?.(item)}
            onPointerLeave={({ pointerType }) => pointerType === 'mouse' && onPoint?.(null)}
          >
            {from !== undefined && (
              <span className="w-6 shrink-0 text-right font-bold tabular-nums">{from + at}</span>
            )}
            <span>
              <strong>{item.says}</strong>
              {item.expect && <span className="block text-sm text-soft">{item.expect}</span>}
            </span>
          </li>
        ))}
      </ol>
      <Button look="main" className="mt-3 w-full" aria-label={label} onClick={onDone}>
        {words}
      </Button>
      <Folded
        className="mt-1"
        summary={<summary className="min-h-11 py-2.5 font-semibold">{say`One by one`}</summary>}
      >
        <ol className="flex flex-col gap-2">{children}</ol>
      </Folded>
    </div>
  )
}
