import type { Origin } from '@/core/job/command'
import { newId } from './new-id'

const DEVICE = 'every-room/device'
const WHO = 'every-room/who'

type Numbered = Pick<Origin, 'device' | 'number'>

/** Where this browser keeps nothing, each page stands for itself. */
let own: Numbered | null = null

/** Which phone or desk this is; the same for all its pages. */
export function thisDevice(): string {
  if (own) return own.device
  try {
    const kept = read()
    if (kept) return kept.device
    const first = { device: newId(), number: 0 }
    localStorage.setItem(DEVICE, JSON.stringify(first))
    return first.device
  } catch {
    return (own = { device: newId(), number: 0 }).device
  }
}

/** What is done now, numbered after all that was done here before. */
export function nextOfDevice(): Numbered {
  const device = thisDevice()
  if (!own)
    try {
      const next = { device, number: (read()?.number ?? 0) + 1 }
      localStorage.setItem(DEVICE, JSON.stringify(next))
      return next
    } catch {
      // A number that is not kept would be given twice.
      own = { device: newId(), number: 0 }
    }
  own = { device: own.device, number: own.number + 1 }
  return own
}

function read(): Numbered | null {
  const kept = JSON.parse(localStorage.getItem(DEVICE) ?? 'null') as Partial<Numbered> | null
  return typeof kept?.device === 'string' && Number.isInteger(kept.number)
    ? { device: kept.device, number: kept.number! }
    : null
}

/** Who has this phone, as far as somebody said. */
export function whoHasIt(): string {
  try {
    return localStorage.getItem(WHO) ?? ''
  } catch {
    return ''
  }
}

export function saidWhoHasIt(who: string): void {
  try {
    localStorage.setItem(WHO, who)
  } catch {
    // Asked again on the next page.
  }
  for (const listener of listeners) listener()
}

const listeners = new Set<() => void>()

/** Tells whoever asks when somebody said who has this phone, on another of its pages too. */
export function onWhoHasIt(listener: () => void): () => void {
  listeners.add(listener)
  window.addEventListener('storage', listener)
  return () => {
    listeners.delete(listener)
    window.removeEventListener('storage', listener)
  }
}
