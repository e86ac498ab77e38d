'use client'

import { useState, type ReactNode } from 'react'

/** Opens at a press; what is in it is made (and fetched) only then. */
export function Folded({
  summary,
  opened = false,
  className,
  children,
}: {
  summary: ReactNode
  opened?: boolean
  className?: string
  children: ReactNode
}) {
  const [open, setOpen] = useState(opened)
  return (
    <details open={opened} className={className} onToggle={event => setOpen(event.currentTarget.open)}>
      {summary}
      {open && children}
    </details>
  )
}
