import type { Shown, WiringSense } from '@/core/read'
import { LIGHT_WORDS } from './words'
import { type Say } from '@/core/words/say'

const SENSE_WORDS: Readonly<Record<WiringSense, string>> = {
  correct: 'Wired right.',
  'open-ground': 'Its ground is open.',
  'open-neutral': 'Its neutral is open.',
  'open-hot': 'Dead: its hot is open, or off.',
  'hot-neutral-reversed': 'Hot and neutral are reversed.',
  'hot-ground-reversed': 'Hot and ground are reversed.',
  other: 'Wired wrong in some other way.',
}

const volts = (value: number) => `${value < 10 ? value.toFixed(1) : Math.round(value)} V`

/** A reading as the instrument’s face would say it, and a remark under it. */
export function faceOf(say: Say, shown: Shown): { readonly face: string; readonly remark: string } {
  switch (shown.kind) {
    case 'volts':
      return {
        face: volts(shown.volts),
        remark: shown.phantom ? say`A phantom: one side hangs on nothing.` : '',
      }
    case 'field':
      return { face: shown.present ? say`Field` : say`No field`, remark: shown.says }
    case 'ohms':
      return {
        face:
          shown.ohms === null
            ? say`Open`
            : `${shown.ohms < 10 ? shown.ohms.toFixed(1) : Math.round(shown.ohms)} Ω`,
        remark: shown.sounds ? say`It sounds.` : say`It does not sound.`,
      }
    case 'amps':
      return { face: `${shown.amps.toFixed(2)} A`, remark: '' }
    case 'receptacle':
      return { face: volts(shown.volts), remark: say(SENSE_WORDS[shown.sense]) }
    case 'finder':
      return { face: shown.suggests.join(', ') || say`No signal`, remark: shown.says }
    case 'lamp':
      return { face: say(LIGHT_WORDS[shown.light]), remark: shown.says }
    case 'indicator':
      return {
        face: shown.lit === null ? say`No light of its own` : shown.lit ? say`Lit` : say`Unlit`,
        remark: '',
      }
    case 'refused':
      return { face: say`Stop`, remark: shown.hazard }
  }
}
