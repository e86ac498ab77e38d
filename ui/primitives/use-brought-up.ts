import { useEffect, useRef } from 'react'

/**
 * For what opens away from the thumb that opened it: brings it into view when it appears; by its end where what stands
 * above it is to stay in sight.
 */
export function useBroughtUp<Element extends HTMLElement>(block: 'start' | 'end' = 'start') {
  const ref = useRef<Element>(null)
  useEffect(() => {
    const box = ref.current?.getBoundingClientRect()
    if (!box) return
    const lowest = block === 'start' ? box.top > window.innerHeight * 0.7 : box.bottom > window.innerHeight
    if (box.top < 0 || lowest) ref.current?.scrollIntoView({ block })
  }, [block])
  return ref
}
