import type { HalfDone } from '@/core/route'
import { compile, solve, stateAt, stateCount } from '@/core/solve'

/** What is wrong in some state: a short, or what stands where nobody expects it, in words. */
export interface Danger {
  readonly kind: 'short' | 'live-end' | 'live-shell' | 'other-return' | 'ground-carries'
  readonly point: string
  readonly says: string
}

/** Above this it can be felt. */
const TOUCHED_FROM = 50

/**
 * Solved state by state, not by what could be joined: shorts, volts at what is bare in the air or is the shell of a lamp,
 * and current that goes back by another circuit’s neutral, or by ground. Where something is shorted its volts say nothing of the rest.
 */
export function dangers({ circuit, bare }: HalfDone): Danger[] {
  const compiled = compile(circuit)
  const found = new Map<string, Danger>()
  const add = (danger: Danger) => found.set(`${danger.kind} ${danger.point}`, danger)
  const count = Math.min(stateCount(compiled), 256)
  for (let at = 0; at < count; at++) {
    const { shorts, potentials, loadAmps, joined } = solve(compiled, stateAt(compiled, at))
    const bad = shorts.filter(({ kind }) => kind !== 'neutral-ground')
    if (shorts.length > bad.length) add({ kind: 'ground-carries', point: '', says: 'a neutral on ground' })
    for (const { kind } of bad) add({ kind: 'short', point: kind, says: kind })
    if (bad.length > 0) continue
    const volts = (point: string) => potentials.volts(compiled.net(point)) ?? 0
    for (const { id, neutral } of circuit.loads)
      if (volts(neutral) > TOUCHED_FROM)
        add({
          kind: 'live-shell',
          point: neutral,
          says: `the shell of ${id} at ${Math.round(volts(neutral))} V`,
        })
    const sameMetal = (a: string, b: string) => joined.find(compiled.net(a)) === joined.find(compiled.net(b))
    circuit.loads.forEach(({ id, hot, neutral }, load) => {
      const from = circuit.supplies.find(supply => sameMetal(supply.hot, hot))
      const back = circuit.supplies.find(supply => sameMetal(supply.neutral, neutral))
      if (from && back && loadAmps[load]! > 0 && !sameMetal(from.neutral, back.neutral))
        add({ kind: 'other-return', point: neutral, says: `${id} from ${from.id} back on ${back.id}` })
    })
    for (const [point, { name }] of bare)
      if (volts(point) > TOUCHED_FROM)
        add({ kind: 'live-end', point, says: `${name} at ${Math.round(volts(point))} V` })
  }
  return [...found.values()]
}

/** Dangers that some words do not name: each at its point, a short at any. */
export const unsaid = (
  found: readonly Danger[],
  said: readonly { readonly kind: string; readonly point: string }[],
): string[] =>
  found
    .filter(
      danger =>
        !said.some(
          each =>
            each.kind === danger.kind &&
            (danger.kind === 'short' || danger.kind === 'ground-carries' || each.point === danger.point),
        ),
    )
    .map(({ says }) => says)
