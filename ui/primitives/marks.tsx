import type { StageState } from '@/core/plan'
import type { Verdict } from '@/core/check'

/** Stage states by shape: an empty ring waits, a half one has begun, a full one with a tick is done. */
export function StageMark({ state, size = 20 }: { state: StageState; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 20 20" aria-hidden="true" className="shrink-0">
      <circle
        cx="10"
        cy="10"
        r="8"
        fill={state === 'done' ? 'currentColor' : 'none'}
        stroke="currentColor"
        strokeWidth="2"
      />
      {state === 'begun' && <path d="M10 2 a8 8 0 0 0 0 16 z" fill="currentColor" />}
      {state === 'done' && (
        <path
          d="M5.8 10.4 l3 3 l5.4 -6.4"
          fill="none"
          stroke="var(--mark-tick, var(--sheet))"
          strokeWidth="2.2"
        />
      )}
    </svg>
  )
}

export const STATE_WORDS: Readonly<Record<StageState, string>> = {
  waiting: 'waiting',
  begun: 'begun',
  done: 'done',
}

export const VERDICT_WORDS: Readonly<Record<Verdict, string>> = {
  fits: 'Fits',
  'fits-if': 'Fits if…',
  'not-known': 'Not known',
  'does-not-fit': 'Does not fit',
}

/** Verdicts by shape: a peg in its hole, one with a condition, an open question, one that is too big. */
export function VerdictMark({ verdict }: { verdict: Verdict }) {
  return (
    <svg width="28" height="22" viewBox="0 0 28 22" aria-hidden="true" className="shrink-0">
      <path d="M1.5 8 v12 h25 v-12" fill="none" stroke="currentColor" strokeWidth="2.5" />
      {verdict === 'fits' && <rect x="6" y="6" width="16" height="14" fill="currentColor" />}
      {verdict === 'fits-if' && (
        <>
          <rect
            x="6"
            y="6"
            width="16"
            height="14"
            fill="none"
            stroke="currentColor"
            strokeWidth="2"
            strokeDasharray="3 2.5"
          />
          <rect x="6" y="13" width="16" height="7" fill="currentColor" />
        </>
      )}
      {verdict === 'not-known' && (
        <text x="14" y="18" textAnchor="middle" fontSize="15" fontWeight="700" fill="currentColor">
          ?
        </text>
      )}
      {verdict === 'does-not-fit' && <rect x="0" y="1" width="28" height="6" fill="currentColor" />}
    </svg>
  )
}
