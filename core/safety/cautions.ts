import type { Question } from '../identify'
import type { BoxView } from '../job/box-view'
import { sayIn } from '../words/say'

/**
 * What can hurt where a reading is taken, beside what hangs on its power: at a luminaire or an empty lamp holder, and at
 * the panel.
 * @param here the box the reading is taken in
 */
export function cautionsOf({ kind, from, to, power }: Question, { box, region }: BoxView): string[] {
  const say = sayIn(region)

  // A light is watched from where its switch is.
  if (kind === 'light') return []
  const at = (spot: Question['from']['kind']) => from.kind === spot || to.kind === spot
  const isAloft = at('lamp-holder') || box.kind === 'luminaire'
  return [
    ...(at('lamp-holder')
      ? [
          say`Lamp out and cold first.${power === 'on' ? say` Its holder is live: by a switch in the wrong conductor, or the two exchanged, its shell too. Probe in from the front, no hand on the holder.` : ''}`,
        ]
      : []),
    ...(isAloft ? [say`Ladder on firm ground and held, or a platform; never a leg over the top step.`] : []),
    ...(isAloft && power === 'on'
      ? [say`Both hands are wanted on a ladder: clip one lead on, one hand stays free.`]
      : []),
    ...(at('panel-hot')
      ? [
          say`The panel is opened only by one who may work in it, with the main switch off: what comes in above it stays live, its lugs too. The hot is capped by itself before the breaker or the main goes on.`,
        ]
      : []),
  ]
}
