import { useEffect, useRef } from 'react'

/** So much room is left round what is brought into sight. */
const ROOM = 8
const TYPED_INTO = ['INPUT', 'TEXTAREA', 'SELECT']
/** Keys by which a page is moved. */
const MOVING_KEYS = /^(Page(Down|Up)|Arrow(Down|Up)|Home|End| )$/

/**
 * Keeps the one next thing wholly in sight, below the picture where that stands above it: on arrival, and after what was
 * pressed in it. Whoever scrolls, or works on something else, is left where they are.
 */
export function useNextInSight(stage: string) {
  const picture = useRef<HTMLDivElement>(null)
  const work = useRef<HTMLElement>(null)
  useEffect(() => {
    const section = work.current
    if (!section) return
    // Who came for a certain part of the page finds that one.
    let follows = window.location.hash === ''
    let asked = 0
    // Between the press and the release nothing moves: else it would land on something else, or on nothing.
    let held = false
    const bring = () => {
      asked = 0
      if (held) return
      const next = section.querySelector('[data-next]')
      if (!follows || !next || document.activeElement?.matches('input:not([type=radio]), textarea')) return
      const { top, bottom } = next.getBoundingClientRect()
      const above = picture.current?.getBoundingClientRect()
      const isStacked = above !== undefined && above.right > section.getBoundingClientRect().left + 1
      const ceiling = isStacked ? above.height : 0
      const over = bottom + ROOM - window.innerHeight
      const by = top - ROOM < ceiling ? top - ROOM - ceiling : Math.min(over, top - ROOM - ceiling)
      if (by < 0 ? top - ROOM < ceiling : over > 0) window.scrollBy({ top: by, behavior: 'instant' })
      // Beside the work the picture comes up with it, where the screen is low.
      else if (!isStacked && above && above.bottom > window.innerHeight && above.height <= window.innerHeight)
        window.scrollBy({ top: Math.min(above.bottom - window.innerHeight, top - ROOM), behavior: 'instant' })
    }
    const soon = () => {
      if (asked === 0) asked = requestAnimationFrame(bring)
    }
    const leave = () => {
      follows = false
    }
    const turned = ({ key, target }: KeyboardEvent) => {
      const isTyped = target instanceof Element && TYPED_INTO.includes(target.tagName)
      if (!isTyped && MOVING_KEYS.test(key)) leave()
    }
    const hold = ({ clientX }: PointerEvent) => {
      held = true
      // The bar at the edge moves the page as a wheel does.
      if (clientX >= document.documentElement.clientWidth) leave()
    }
    // The press itself comes right after its release.
    const release = () =>
      window.setTimeout(() => {
        held = false
        soon()
      })
    const pressed = ({ target }: Event) => {
      follows = target instanceof Element && target.closest('[data-next]') !== null
    }
    const changed = new MutationObserver(soon)
    changed.observe(section, {
      childList: true,
      subtree: true,
      attributes: true,
      attributeFilter: ['data-next'],
    })
    const grown = new ResizeObserver(soon)
    grown.observe(section)
    window.addEventListener('wheel', leave, { passive: true })
    window.addEventListener('touchmove', leave, { passive: true })
    window.addEventListener('keydown', turned)
    window.addEventListener('pointerdown', hold, true)
    window.addEventListener('pointerup', release, true)
    window.addEventListener('pointercancel', release, true)
    window.addEventListener('click', pressed, true)
    soon()
    return () => {
      changed.disconnect()
      grown.disconnect()
      cancelAnimationFrame(asked)
      window.removeEventListener('wheel', leave)
      window.removeEventListener('touchmove', leave)
      window.removeEventListener('keydown', turned)
      window.removeEventListener('pointerdown', hold, true)
      window.removeEventListener('pointerup', release, true)
      window.removeEventListener('pointercancel', release, true)
      window.removeEventListener('click', pressed, true)
    }
  }, [stage])
  return { picture, work }
}
