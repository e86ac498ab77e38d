import type { LightChoices, LightOption } from './options'

/** What a proposal is after: what each unit of each thing counts. */
export interface Weights {
  readonly price: number
  readonly minutes: number
  /** A place that is touched. */
  readonly change: number
  /** A model more to stock and to know. */
  readonly kind: number
  /** A radio system more to set up. */
  readonly system: number
  /** A room whose plates are of one opening more than one. */
  readonly plates: number
}

export const PROPOSALS = ['least-cost', 'least-disturbance', 'best-match'] as const
export type ProposalKind = (typeof PROPOSALS)[number]

/** Each counts all, one foremost: of two that are alike in that, the better in the rest is taken. */
export const WEIGHTS: Readonly<Record<ProposalKind, Weights>> = {
  'least-cost': { price: 1, minutes: 0.02, change: 0.05, kind: 0.02, system: 0.05, plates: 0.05 },
  'least-disturbance': { price: 0.02, minutes: 0.2, change: 10, kind: 0.05, system: 0.5, plates: 0.2 },
  'best-match': { price: 0.2, minutes: 0.02, change: 0.2, kind: 15, system: 20, plates: 25 },
}

/** What is asked: the choices, what is decided already, and the most that may be spent (null: no limit). */
export interface WholeQuestion {
  readonly lights: readonly LightChoices[]
  /** Option by group that the person holds on to. */
  readonly locks: Readonly<Record<string, string>>
  readonly budget: number | null
  readonly weights: Weights
}

/** A mixed-integer problem as text, and what its variables mean. */
export interface Problem {
  /** In the LP format. */
  readonly text: string
  /** The same without whole numbers: its optimum is a bound. */
  readonly relaxed: string
  readonly options: readonly {
    readonly name: string
    readonly groupId: string
    readonly option: LightOption
  }[]
}

/** Options that may still be taken: the one that is held on to, or all. */
export const openOptions = (
  { groupId, options }: LightChoices,
  locks: WholeQuestion['locks'],
): readonly LightOption[] => {
  const locked = options.filter(({ id }) => id === locks[groupId])
  return locked.length > 0 ? locked : options
}

/**
 * One option a light; a kind, a system or an opening counts once however often it is taken. Lights without any
 * option stay out.
 */
export function problemOf({ lights, locks, budget, weights }: WholeQuestion): Problem {
  const options = lights.flatMap(light =>
    openOptions(light, locks).map(option => ({ groupId: light.groupId, option })),
  )
  const named = options.map((each, at) => ({ name: `x${at}`, ...each }))
  const rows: string[] = []
  const objective = named.map(
    ({ name, option }) =>
      `${figure(weights.price * option.price + weights.minutes * option.minutes + weights.change * option.changes)} ${name}`,
  )
  const binaries = named.map(({ name }) => name)
  for (const { groupId } of lights) {
    const own = named.filter(each => each.groupId === groupId)
    if (own.length > 0) rows.push(`${own.map(({ name }) => name).join(' + ')} = 1`)
  }
  // A thing of which one is enough: it is there as soon as one option that needs it is taken.
  const once = (prefix: string, weight: number, keysOf: (option: LightOption) => readonly string[]) => {
    const users = new Map<string, Map<string, string[]>>()
    for (const { name, groupId, option } of named)
      for (const key of new Set(keysOf(option))) {
        const ofKey = users.get(key) ?? new Map<string, string[]>()
        ofKey.set(groupId, [...(ofKey.get(groupId) ?? []), name])
        users.set(key, ofKey)
      }
    ;[...users].forEach(([, ofKey], at) => {
      const variable = `${prefix}${at}`
      objective.push(`${figure(weight)} ${variable}`)
      binaries.push(variable)
      // Of one light at most one is taken, so all of them together stand for one.
      for (const own of ofKey.values()) rows.push(`${own.join(' + ')} - ${variable} <= 0`)
    })
  }
  once('k', weights.kind, ({ kinds }) => kinds)
  once('s', weights.system, ({ systems }) => systems)
  once('p', weights.plates, ({ openings }) => openings.map(({ roomId, opening }) => `${roomId} ${opening}`))
  if (budget !== null) {
    const spent = named.filter(({ option }) => option.price > 0)
    if (spent.length > 0)
      rows.push(
        `${spent.map(({ name, option }) => `${figure(option.price)} ${name}`).join(' + ')} <= ${figure(budget)}`,
      )
  }
  const body = `Minimize\n obj: ${wrapped(objective)}\nSubject To\n${rows.map((row, at) => ` c${at}: ${wrapped(row.split(' + '))}`).join('\n')}\n`
  return {
    options: named,
    text: `${body}Binary\n ${wrapped(binaries, ' ')}\nEnd\n`,
    relaxed: `${body}Bounds\n${binaries.map(name => ` 0 <= ${name} <= 1`).join('\n')}\nEnd\n`,
  }
}

const figure = (value: number): string => String(Math.round(value * 1e6) / 1e6)

/** Lines of the format may not grow without end. */
const wrapped = (terms: readonly string[], between = ' + '): string =>
  terms.reduce(
    (text, term, at) =>
      at === 0 ? term : `${text}${at % 8 === 0 ? `\n  ${between.trimStart()}` : between}${term}`,
    '',
  )
