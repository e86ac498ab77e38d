import { nameOfThing, type ToFindOut } from '../check'
import type { LightChoices } from './options'

/** The thing to find out for which most lights wait, and which. */
export interface Unlocks {
  readonly thing: ToFindOut
  readonly lights: readonly LightChoices[]
  /** Of these it is all that so many wait for. */
  readonly alone: number
  /** Lights for which nothing is known to fit yet. */
  readonly open: number
}

/**
 * What to find out next in a house: that for which most lights wait; of those the one that is all that most of them
 * wait for. Null where no light waits for anything.
 */
export function whatUnlocks(lights: readonly LightChoices[]): Unlocks | null {
  const open = lights.filter(({ waitsFor }) => waitsFor.length > 0)
  const all = new Map<string, Unlocks>()
  for (const light of open)
    for (const thing of light.waitsFor) {
      const key = nameOfThing(thing)
      const before = all.get(key)
      all.set(key, {
        thing,
        lights: [...(before?.lights ?? []), light],
        alone: (before?.alone ?? 0) + (light.waitsFor.length === 1 ? 1 : 0),
        open: open.length,
      })
    }
  const [first] = [...all.values()].sort(
    (a, b) =>
      b.lights.length - a.lights.length ||
      b.alone - a.alone ||
      Math.min(...a.lights.map(({ waitsFor }) => waitsFor.length)) -
        Math.min(...b.lights.map(({ waitsFor }) => waitsFor.length)),
  )
  return first ?? null
}
