import { useEffect, useRef } from 'react'

/** For what opens away from the thumb that opened it: brings it into view when it appears. */
export function useBroughtUp<Element extends HTMLElement>() {
  const ref = useRef<Element>(null)
  useEffect(() => {
    const box = ref.current?.getBoundingClientRect()
    if (box && (box.top < 0 || box.top > window.innerHeight * 0.7))
      ref.current?.scrollIntoView({ block: 'start' })
  }, [])
  return ref
}
