'use client'

import { PROPERTIES, type Counterexample, type Proof } from '@/core/prove'
import { Button } from '../primitives/button'
import { useSay } from '../words/use-say'

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
  const say = useSay()

  if (proof === null)
    return (
      <p
        role="status"
        className="rounded-xl border-2 border-rule bg-sheet p-3"
      >{say`Going through every state…`}</p>
    )
  if (proof.kind === 'not-decided')
    return (
      <p
        role="status"
        className="hazard bg-sheet p-3"
      >{say`Not decided: ${proof.states} states are more than were gone through.`}</p>
    )
  return (
    <div className="flex flex-col gap-2">
      {proof.kind === 'proven' ? (
        <p role="status" className="rounded-xl border-2 border-ink bg-sheet p-3">
          <strong>{say`Proven`}</strong>
          {say` in all ${proof.states} ${say.count(proof.states, 'state', 'states')}.`}
          {proof.groundless.length > 0 &&
            say` No ${ground}, only as local code permits: ${proof.groundless.join('; ')}.`}
        </p>
      ) : (
        <div role="status" className="hazard bg-sheet p-3">
          <p className="font-bold">
            {proof.counterexamples.length === 1
              ? say`One rule is broken`
              : say`${proof.counterexamples.length} rules are broken`}
          </p>
          <ul className="flex flex-col gap-2">
            {proof.counterexamples.map(each => (
              <li key={each.property} className="flex flex-wrap items-center justify-between gap-2">
                <span className="min-w-0 flex-1 basis-64">
                  <strong>{say(PROPERTIES[each.property])}</strong> {each.says}.
                </span>
                <Button
                  disabled={playing !== null}
                  onClick={() => onPlay(each)}
                  aria-label={say`Show: ${say(PROPERTIES[each.property])}`}
                >
                  {playing === each ? say`Playing…` : say`Show it`}
                </Button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {proof.lostNeutrals.map(({ supplies, loads }) => (
        <p key={supplies.join()} className="hazard bg-sheet p-3 text-sm">
          <strong>{say`Shared neutral of ${supplies.join(say` and `)}.`}</strong>
          {say` If it is lost: ${loads.map(({ id, volts }) => say`${id} gets ${Math.round(volts)} V`).join(', ')}.`}
        </p>
      ))}
    </div>
  )
}
