import type { Lacking } from '@/core/check'
import type { Need } from '@/core/model/entities'
import { figure } from '@/core/model/units'
import type { NeedKind } from '@/core/model/vocabulary'
import { WANT_WORDS } from '../words'
import { type Say } from '@/core/words/say'

export const NEED_WORDS: Readonly<Record<NeedKind, string>> = {
  dim: 'Dim',
  'automatic-on': 'On by itself',
  'manual-on': 'On by hand only',
  'automatic-off': 'Off by itself',
  'off-after': 'Off after',
  'from-dusk': 'From dusk',
  'until-hour': 'Until',
  remote: 'By remote or phone',
  scenes: 'Scenes',
  glow: 'Glows, to find it',
  'keep-fed': 'Lamps stay fed',
  'few-places': 'Change at most',
  'match-neighbour': 'Plate like its neighbors',
  budget: 'Spend at most',
  'keep-old': 'Keep what is taken out',
}

/** Figures that a need goes with. */
export const NEED_FIGURES: Partial<Record<NeedKind, { readonly unit: string; readonly most: number }>> = {
  'off-after': { unit: 'min', most: 1440 },
  'until-hour': { unit: 'o’clock', most: 24 },
  'few-places': { unit: 'places', most: 10 },
  budget: { unit: 'in money', most: 100_000 },
}

export const lackingWords = (say: Say, lacking: Lacking): string =>
  (lacking in NEED_WORDS
    ? say(NEED_WORDS[lacking as NeedKind])
    : say(WANT_WORDS[lacking as keyof typeof WANT_WORDS])
  ).toLowerCase()

/** In a few words what is wanted beside the chief purpose. */
export const needsWords = (needs: readonly Pick<Need, 'need' | 'value'>[]): string =>
  needs
    .map(({ need, value }) => {
      const unit = NEED_FIGURES[need]?.unit
      return `${NEED_WORDS[need].toLowerCase()}${value !== null && unit ? ` ${figure(value, 2)} ${unit}` : ''}`
    })
    .join(', ')
