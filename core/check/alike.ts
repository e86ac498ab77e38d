import type { DeviceModel } from '../model/device'
import { SIDE_BY_SIDE, type SetJudgement } from './judge-set'
import type { Judgement } from './check'

/** What is told of a device beside what it does: its name and cost, and how its sheet words it. */
const BESIDE = ['id', 'name', 'price', 'minutes', 'instructions', 'tests'] as const

type Part = Exclude<keyof DeviceModel, (typeof BESIDE)[number]>

/** The one thing by which two things of a list differ. */
export type Difference = Part | 'place'

/** Several of a list that are alike but for one thing; the first of them leads, in the order of the list. */
export interface Alike<Each> {
  readonly by: Difference | null
  readonly all: readonly [Each, ...Each[]]
}

const isBeside = (key: string) => (BESIDE as readonly string[]).includes(key)

/** A form never changes: each part is written out once. */
const written = new WeakMap<DeviceModel, ReadonlyMap<string, string>>()

function partsOf(model: DeviceModel): ReadonlyMap<string, string> {
  let parts = written.get(model)
  if (!parts) {
    const told = Object.entries(model).filter(([key, value]) => !isBeside(key) && (value ?? null) !== null)
    parts = new Map(told.map(([key, value]) => [key, JSON.stringify(value)]))
    written.set(model, parts)
  }
  return parts
}

/** The one part of their forms in which two devices differ; null where there is none, or several. */
export function differsBy(one: DeviceModel, other: DeviceModel): Part | null {
  const [ones, others] = [partsOf(one), partsOf(other)]
  let difference: string | null = null
  for (const key of new Set([...ones.keys(), ...others.keys()])) {
    if (ones.get(key) === others.get(key)) continue
    if (difference !== null) return null
    difference = key
  }
  return difference as Part | null
}

/** Devices of one verdict that are alike but for one thing, together. */
export const alikeDevices = (judged: readonly Judgement[]): Alike<Judgement>[] =>
  folded(judged, (first, other) =>
    first.verdict === other.verdict && first.meetsWant === other.meetsWant
      ? differsBy(first.device, other.device)
      : null,
  )

/** Sets of the same devices, which stand at other places of the light, together; the verdicts may differ. */
export const alikeSets = (judged: readonly SetJudgement[]): Alike<SetJudgement>[] =>
  folded(judged, (first, other) =>
    first.set.kind !== SIDE_BY_SIDE &&
    first.set.kind === other.set.kind &&
    first.meetsWant === other.meetsWant &&
    devicesOf(first) === devicesOf(other)
      ? 'place'
      : null,
  )

const devicesOf = ({ set }: SetJudgement): string =>
  set.members
    .map(model => model?.id ?? '')
    .sort()
    .join(' ')

/** Each goes with the first of the list that it is like, by what that one differs from all of its own. */
function folded<Each>(
  list: readonly Each[],
  by: (first: Each, other: Each) => Difference | null,
): Alike<Each>[] {
  const folds: { by: Difference | null; all: [Each, ...Each[]] }[] = []
  for (const each of list) {
    const [fold, what] =
      folds
        .map(fold => [fold, by(fold.all[0], each)] as const)
        .find(([fold, what]) => what !== null && (fold.by === null || fold.by === what)) ?? []
    if (!fold) folds.push({ by: null, all: [each] })
    else {
      fold.by = what ?? null
      fold.all.push(each)
    }
  }
  return folds
}
