'use client'

import { useEffect, useRef, useState, type ReactNode } from 'react'

/** What comes so near is made ready before it is looked at. */
const NEAR = '200px'

/** Makes its content only once it is about to be looked at; until then it keeps the place. */
export function WhenSeen({
  id,
  className = 'min-h-40 scroll-mt-3',
  children,
}: {
  id?: string
  /** With the height that it keeps. */
  className?: string
  children: ReactNode
}) {
  const place = useRef<HTMLDivElement>(null)
  const [seen, setSeen] = useState(false)
  useEffect(() => {
    const observer = new IntersectionObserver(
      entries => entries.some(({ isIntersecting }) => isIntersecting) && setSeen(true),
      { rootMargin: NEAR },
    )
    if (place.current) observer.observe(place.current)
    return () => observer.disconnect()
  }, [])
  return (
    <div ref={place} id={id} className={className}>
      {seen && children}
    </div>
  )
}
