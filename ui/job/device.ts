import type { Origin } from '@/core/job/command'
import { written, type SetAside } from './browser-db'
import { newId } from './new-id'

const DEVICE = 'every-room/device'
const WHO = 'every-room/who'
/** So many numbers are set aside at once: a browser may be ended before it wrote down how far it had counted. */
const AT_ONCE = 1000

type Numbered = Pick<Origin, 'device' | 'number'>

/** Where this browser keeps nothing, each page stands for itself. */
let own: Numbered | null = null

/** Has to be done before anything is numbered here: no number that may have been given before is given once more. */
export async function openDevice(): Promise<void> {
  try {
    const { device, upTo } = await setAside()
    const counted = countedOf(device)
    const number = Math.max(upTo - AT_ONCE, counted.number)
    write({ device, number, upTo: Math.max(upTo, counted.upTo) })
  } catch {
    standAlone()
  }
}

/** Sets more numbers aside, where the end of the browser does not undo it. */
const setAside = (): Promise<SetAside> =>
  written('device', async tx => {
    const before = await tx.store.get('this')
    const device = before?.device ?? read()?.device ?? newId()
    const next = { device, upTo: Math.max(before?.upTo ?? 0, countedOf(device).number) + AT_ONCE }
    await tx.store.put(next, 'this')
    return next
  })

async function setMoreAside(): Promise<void> {
  const { device, upTo } = await setAside()
  const counted = read()
  if (counted?.device === device) write({ ...counted, upTo })
}

const standAlone = (): Numbered => (own = { device: newId(), number: 0 })

/** Which phone or desk this is; the same for all its pages. */
export const thisDevice = (): string => (own ?? attempt(read) ?? standAlone()).device

/** What is done now, numbered after all that was done here before. */
export function nextOfDevice(): Numbered {
  const counted = own ? null : attempt(read)
  if (counted && counted.number < counted.upTo) {
    const { device, upTo } = counted
    const number = counted.number + 1
    if (attempt(() => (write({ device, number, upTo }), true))) {
      if (upTo - number < AT_ONCE / 2) void setMoreAside().catch(() => undefined)
      return { device, number }
    }
  }
  // A number that is not kept would be given twice.
  const { device, number } = own ?? standAlone()
  return (own = { device, number: number + 1 })
}

interface Counted extends Numbered {
  /** What is set aside, as far as it was told to all pages. */
  readonly upTo: number
}

function read(): Counted | null {
  const kept = JSON.parse(localStorage.getItem(DEVICE) ?? 'null') as Partial<Counted> | null
  return typeof kept?.device === 'string' && Number.isInteger(kept.number)
    ? { device: kept.device, number: kept.number!, upTo: kept.upTo ?? 0 }
    : null
}

/** How far was counted as this phone; not at all where that was another one. */
function countedOf(device: string): Counted {
  const counted = read()
  return counted?.device === device ? counted : { device, number: 0, upTo: 0 }
}

const write = (counted: Counted): void => localStorage.setItem(DEVICE, JSON.stringify(counted))

function attempt<Value>(work: () => Value): Value | null {
  try {
    return work()
  } catch {
    return null
  }
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
