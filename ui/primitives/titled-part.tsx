import type { ReactNode } from 'react'

/** A titled part of a page. */
export function Part({
  title,
  aside,
  next,
  children,
}: {
  title: string
  aside?: ReactNode
  /** What it asks, where that is the one next thing. */
  next?: string | false
  children: ReactNode
}) {
  return (
    <section data-next={next || undefined} className="rounded-xl bg-sheet p-3 sm:p-4">
      <div className="mb-3 flex flex-wrap items-center justify-between gap-2">
        <h2 className="text-base">{title}</h2>
        {aside}
      </div>
      <div className="flex flex-col gap-3">{children}</div>
    </section>
  )
}
