'use client'

import { PROPERTIES, type Counterexample, type Proof } from '@/core/prove'
import { Button } from '../primitives/button'

/** What the prover says of the circuit; each fault can be played on the drawing. */
export function Verdict({
  proof,
  ground,
  playing,
  onPlay,
}: {
  proof: Proof | null
  /** What the region calls it. */
  ground: string
  playing: Counterexample | null
  onPlay: (counterexample: Counterexample) => void
}) {
  if (proof === null)
    return (
      <p role="status" className="rounded-xl border-2 border-rule bg-sheet p-3">
        Going through every state…
      </p>
    )
  if (proof.kind === 'not-decided')
    return (
      <p role="status" className="hazard bg-sheet p-3">
        Not decided: {proof.states} states are more than were gone through.
      </p>
    )
  return (
    <div className="flex flex-col gap-2">
      {proof.kind === 'proven' ? (
        <p role="status" className="rounded-xl border-2 border-ink bg-sheet p-3">
          <strong>Proven</strong> in all {proof.states} {proof.states === 1 ? 'state' : 'states'}.
          {proof.groundless.length > 0 &&
            ` No ${ground}, only as local code permits: ${proof.groundless.join('; ')}.`}
        </p>
      ) : (
        <div role="status" className="hazard bg-sheet p-3">
          <p className="font-bold">
            {proof.counterexamples.length === 1
              ? 'One rule is broken'
              : `${proof.counterexamples.length} rules are broken`}
          </p>
          <ul className="flex flex-col gap-2">
            {proof.counterexamples.map(each => (
              <li key={each.property} className="flex flex-wrap items-center justify-between gap-2">
                <span className="min-w-0 flex-1 basis-64">
                  <strong>{PROPERTIES[each.property]}</strong> {each.says}.
                </span>
                <Button
                  disabled={playing !== null}
                  onClick={() => onPlay(each)}
                  aria-label={`Show: ${PROPERTIES[each.property]}`}
                >
                  {playing === each ? 'Playing…' : 'Show it'}
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {proof.lostNeutrals.map(({ supplies, loads }) => (
        <p key={supplies.join()} className="hazard bg-sheet p-3 text-sm">
          <strong>Shared neutral of {supplies.join(' and ')}.</strong> If it is lost:{' '}
          {loads.map(({ id, volts }) => `${id} gets ${Math.round(volts)} V`).join(', ')}.
        </p>
      ))}
    </div>
  )
}
