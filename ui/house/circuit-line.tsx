/** Dashes by which circuits are told apart, without colour; beyond the last they begin again, with the number beside. */
const DASHES = [
  undefined,
  '7 4',
  '2 4',
  '12 4 2 4',
  '14 3',
  '7 3 2 3 2 3',
  '2 2 8 2',
  '4 2',
  '1 3 1 3 6 3',
] as const

/** A circuit as a short line of its own dashes. */
export function CircuitLine({ at }: { at: number }) {
  return (
    <svg width="34" height="8" viewBox="0 0 34 8" aria-hidden="true" className="shrink-0">
      <path
        d="M1 4 H33"
        stroke="currentColor"
        strokeWidth="3.5"
        strokeDasharray={DASHES[at % DASHES.length]}
        fill="none"
      />
    </svg>
  )
}
