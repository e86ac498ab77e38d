import type { ReactNode } from 'react'
import { useNextInSight } from './use-next-in-sight'

/** The picture beside the work, or above it on a phone: it stays while the work is moved, and what is next is in sight. */
export function WorkFrame({
  at,
  name,
  columns,
  picture: drawn,
  children,
}: {
  /** What is worked at: as another begins, what is next there is brought into sight. */
  at: string
  name: string
  /** The widths of the two where they stand beside each other. */
  columns: string
  picture: ReactNode
  children: ReactNode
}) {
  const { picture, work } = useNextInSight(at)
  return (
    <div className={`mt-2 wide:mt-3 wide:grid wide:gap-5 ${columns}`}>
      <div
        ref={picture}
        className="sticky top-0 z-10 min-w-0 bg-paper max-wide:-mx-3 max-wide:px-3 max-wide:pb-2 wide:top-3 wide:self-start"
      >
        {drawn}
      </div>
      <section ref={work} data-work aria-label={name} className="flex min-w-0 flex-col gap-4 max-wide:mt-1">
        {children}
      </section>
    </div>
  )
}
