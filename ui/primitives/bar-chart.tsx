import { useEffect, useRef, useState } from 'react'
import { heightOf, type Bars } from './bars'
import { part } from './part'

const DrawnBars = part(() => import('./drawn-bars').then(module => module.DrawnBars), { seldom: true })

/** So near below what is seen it is drawn, so that it stands when one comes to it. */
const NEAR = '400px'

/** Bars of one unit. What draws them is large, and is fetched once somebody comes near. */
export function BarChart({ label, ...bars }: Bars & { label: string }) {
  const figure = useRef<HTMLElement>(null)
  const [isNear, setIsNear] = useState(false)
  useEffect(() => {
    const watch = new IntersectionObserver(
      entries => {
        if (entries.some(({ isIntersecting }) => isIntersecting)) setIsNear(true)
      },
      { rootMargin: NEAR },
    )
    watch.observe(figure.current!)
    return () => watch.disconnect()
  }, [])
  return (
    <figure ref={figure} role="img" aria-label={label} style={{ minHeight: heightOf(bars) }}>
      {isNear && <DrawnBars {...bars} />}
    </figure>
  )
}
