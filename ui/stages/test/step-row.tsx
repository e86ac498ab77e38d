import type { ReactNode } from 'react'

/** One step: what is to be done, and its button while it is the next. */
export function Row({ says, active, children }: { says: string; active: boolean; children: ReactNode }) {
  return (
    <>
      <p className="font-semibold">{says}</p>
      {active && <div className="mt-2 flex flex-wrap items-center gap-2">{children}</div>}
    </>
  )
}
