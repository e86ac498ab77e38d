'use client'

import { INSTRUMENTS } from '@/core/model/vocabulary'
import type { Result } from '@/core/model/result'
import type { Shown } from '@/core/read'
import type { Seen } from '@/core/trial'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { Part } from '../primitives/titled-part'
import { INSTRUMENT_WORDS } from '../words'
import { LIGHT_WORDS } from './words'
import { useSay } from '../words/use-say'
import { type Say } from '@/core/words/say'
import { part } from '../primitives/part'

const Reading = part(() => import('./reading').then(module => module.Reading))

const IN_HAND = ['none', ...INSTRUMENTS] as const
export type InHand = (typeof IN_HAND)[number]

/** How many points the instrument is put to. */
export const LEADS: Readonly<Record<InHand, number>> = {
  none: 0,
  'low-impedance-meter': 2,
  'high-impedance-meter': 2,
  'non-contact': 1,
  continuity: 2,
  clamp: 1,
  'receptacle-tester': 0,
  'circuit-finder': 0,
}

const PLUGGED: readonly InHand[] = ['receptacle-tester', 'circuit-finder']

const hintOf = (say: Say, inHand: InHand, touched: number): string => {
  if (LEADS[inHand] === 0) return ''
  if (LEADS[inHand] === 1)
    return touched === 0 ? say`Touch a conductor in the drawing.` : say`Touch another one to move it.`
  return [
    say`Touch where the first lead goes.`,
    say`Touch where the second lead goes.`,
    say`Touch a point to move the second lead.`,
  ][touched]!
}

/** Which tester is in hand, and where to put it. */
export function Tester({
  inHand,
  touched,
  receptacles,
  onTake,
  onPlug,
}: {
  inHand: InHand
  touched: readonly string[]
  /** Where something can be plugged in, by id. */
  receptacles: readonly string[]
  onTake: (next: InHand) => void
  onPlug: (receptacle: string) => void
}) {
  const say = useSay()

  return (
    <Part title={say`Tester`}>
      <PickOne
        label={say`In your hand`}
        labelHidden
        value={inHand}
        options={IN_HAND.filter(each => receptacles.length > 0 || !PLUGGED.includes(each)).map(value => ({
          value,
          words: value === 'none' ? say`None` : say(INSTRUMENT_WORDS[value]),
        }))}
        onCommit={onTake}
        hint={hintOf(say, inHand, touched.length)}
      />
      {PLUGGED.includes(inHand) && (
        <div className="flex flex-wrap gap-2" role="group" aria-label={say`Plug it in`}>
          {receptacles.map(id => (
            <Button key={id} aria-pressed={touched.includes(id)} onClick={() => onPlug(id)}>
              {id}
            </Button>
          ))}
        </div>
      )}
    </Part>
  )
}

/** What the lamps do and what the tester shows, always in sight; it keeps reading while switches are worked. */
export function Strip({ seen, inHand, shown }: { seen: Seen; inHand: InHand; shown: Result<Shown> | null }) {
  const say = useSay()

  return (
    <div className="sticky top-2 bottom-2 z-10 mt-2 flex flex-wrap items-stretch gap-2">
      <ul
        aria-label={say`Lamps`}
        aria-live="polite"
        className="flex min-w-0 flex-1 basis-60 flex-wrap content-center gap-x-4 gap-y-1 rounded-xl border-2 border-ink bg-paper px-3 py-2"
      >
        {seen.lamps.map(({ id, kind, light, share, why }) => (
          <li key={id}>
            {id}{' '}
            <strong>
              {kind === 'lamp' ? say(LIGHT_WORDS[light]) : light === 'full' ? say`Fed` : say`Not fed`}
              {light === 'dimmed' ? ` ${Math.round(share * 100)} %` : ''}
            </strong>
            {why && <span className="block text-sm">{why}</span>}
          </li>
        ))}
      </ul>
      {inHand !== 'none' && <Reading shown={shown} />}
    </div>
  )
}
