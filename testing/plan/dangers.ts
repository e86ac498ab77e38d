import type { HalfDone } from '@/core/route'
import { compile, solve, stateAt, stateCount } from '@/core/solve'

/** What is wrong in some state: a short, or what stands where nobody expects it, in words. */
export interface Danger {
  readonly kind: 'short' | 'live-end' | 'live-shell'
  readonly point: string
  readonly says: string
}

/** Above this it can be felt. */
const TOUCHED_FROM = 50

/**
 * Solved state by state, not by what could be joined: shorts, and volts at what is bare in the air or is the shell of a
 * lamp. Where something is shorted its volts say nothing of the rest.
 */
export function dangers({ circuit, bare }: HalfDone): Danger[] {
  const compiled = compile(circuit)
  const found = new Map<string, Danger>()
  const add = (danger: Danger) => found.set(`${danger.kind} ${danger.point}`, danger)
  const count = Math.min(stateCount(compiled), 256)
  for (let at = 0; at < count; at++) {
    const { shorts, potentials } = solve(compiled, stateAt(compiled, at))
    const bad = shorts.filter(({ kind }) => kind !== 'neutral-ground')
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
          each => each.kind === danger.kind && (danger.kind === 'short' || each.point === danger.point),
        ),
    )
    .map(({ says }) => says)
