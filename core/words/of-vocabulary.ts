import type { Insulation, Role } from '../model/vocabulary'

/** What the core itself says of ids: each to be said in the language of the job. */

export const ROLE_WORDS: Readonly<Record<Role, string>> = {
  line: 'line',
  'switched-load': 'load',
  neutral: 'neutral',
  ground: 'ground',
  traveller: 'traveler',
  'onward-feed': 'onward',
  'loop-feed': 'loop feed',
  'loop-return': 'loop return',
  spare: 'spare',
  'control-plus': 'control +',
  'control-minus': 'control −',
}

export const INSULATION_WORDS: Readonly<Record<Insulation, string>> = {
  black: 'black',
  red: 'red',
  white: 'white',
  blue: 'blue',
  brown: 'brown',
  grey: 'gray',
  yellow: 'yellow',
  green: 'green',
  'green-yellow': 'green-yellow',
  bare: 'bare',
  violet: 'violet',
  pink: 'pink',
}
