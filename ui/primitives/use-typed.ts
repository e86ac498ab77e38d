import { useContext, useEffect, useRef, useState, type RefObject } from 'react'
import { RowContext } from './row-context'

/** What is typed in a field and not stored yet. */
export interface Typed {
  readonly draft: string
  /** What somebody else stored while this was being typed; null where nobody did. */
  readonly theirs: string | null
  type(text: string): void
  /** It was given on: what is stored next is what became of it. */
  given(): void
  /** Goes on with what somebody else stored. */
  takeTheirs(): void
  /** Goes on with what is typed here. */
  keepOurs(): void
}

/**
 * What is typed stays until it is stored: over a reload of the page, and over what somebody else stores meanwhile, which is
 * then shown beside it.
 */
export function useTyped(stored: string, field: RefObject<HTMLElement | null>): Typed {
  const [draft, setDraft] = useState(stored)
  const [seen, setSeen] = useState(stored)
  const [theirs, setTheirs] = useState<string | null>(null)
  const [open, setOpen] = useState(false)
  if (seen !== stored) {
    setSeen(stored)
    if (!open || draft === seen || draft.trim() === stored) {
      setDraft(stored)
      setTheirs(null)
      setOpen(false)
    } else setTheirs(stored)
  }
  const type = (text: string) => {
    setDraft(text)
    setOpen(true)
  }
  useKept(stored, draft, type, field)
  return {
    draft,
    theirs,
    type,
    given: () => setOpen(false),
    takeTheirs: () => {
      setDraft(stored)
      setTheirs(null)
      setOpen(false)
    },
    keepOurs: () => setTheirs(null),
  }
}

const NAMED = 'data-typed'
/** To be set on every field that is typed in: its row and its label; those that are alike are told by their order on the page. */
export const useTypedAs = (label: string) => ({ [NAMED]: `${useContext(RowContext)}/${label}` })

const PREFIX = 'every-room/typed/'

/** Under which name what is typed in a field is kept in this window. */
function nameOf(field: HTMLElement): string {
  const name = field.getAttribute(NAMED) ?? ''
  const alike = [...document.querySelectorAll(`[${NAMED}]`)].filter(each => each.getAttribute(NAMED) === name)
  return `${PREFIX}${window.location.pathname}/${name}/${alike.indexOf(field)}`
}

function useKept(
  stored: string,
  draft: string,
  type: (draft: string) => void,
  field: RefObject<HTMLElement | null>,
): void {
  const name = useRef<string | null>(null)
  useEffect(() => {
    // Once all fields stand, so that their order is known.
    const frame = requestAnimationFrame(() => {
      // Who was quicker than that has typed here already.
      if (!field.current || name.current !== null) return
      name.current = nameOf(field.current)
      const kept = read(name.current)
      // Only over what it was typed over.
      if (kept && kept.over === stored) type(kept.text)
    })
    return () => cancelAnimationFrame(frame)
    // Once, when the field appears: from then on it is what is typed.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [])
  useEffect(() => {
    if (name.current === null && draft !== stored && field.current) name.current = nameOf(field.current)
    if (name.current === null) return
    try {
      if (draft === stored) sessionStorage.removeItem(name.current)
      else sessionStorage.setItem(name.current, JSON.stringify({ over: stored, text: draft }))
    } catch {
      // A browser that keeps nothing has it until the page goes.
    }
  }, [draft, stored, field])
}

function read(name: string): { readonly over: string; readonly text: string } | null {
  try {
    const kept = JSON.parse(sessionStorage.getItem(name) ?? 'null') as {
      over?: unknown
      text?: unknown
    } | null
    return typeof kept?.over === 'string' && typeof kept.text === 'string'
      ? { over: kept.over, text: kept.text }
      : null
  } catch {
    return null
  }
}
