'use client'

import type { ComponentProps, MouseEvent } from 'react'

/** Goes to another page of the job that is open: it is here already, so the server is not asked. */
export function goTo(href: string): void {
  window.history.pushState(null, '', href)
  window.scrollTo(0, 0)
}

const isPlain = (event: MouseEvent<HTMLAnchorElement>): boolean =>
  event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey

/** A link from a page of a job: to another of its pages without asking the server, anywhere else as links do. */
export function Link({ href, onClick, target, ...rest }: ComponentProps<'a'> & { href: string }) {
  return (
    <a
      href={href}
      target={target}
      onClick={event => {
        onClick?.(event)
        if (event.defaultPrevented || target || !href.startsWith('/jobs/') || !isPlain(event)) return
        event.preventDefault()
        goTo(href)
      }}
      {...rest}
    />
  )
}
