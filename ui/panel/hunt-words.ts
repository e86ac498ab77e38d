import type { BoxView } from '@/core/job/box-view'
import type { Breaker } from '@/core/model/entities'
import type { HuntReason } from '@/core/panel'
import { sayIn, type Say } from '@/core/words/say'

const REASONS: Readonly<Record<HuntReason, string>> = {
  'same-light': 'another place of this light is on it',
  'same-cable': 'a box that a cable leads to is on it',
  'same-box': 'it is said to feed this box',
  'same-room': 'a box in this room is on it',
  'next-room': 'the next room is on it',
  'same-floor': 'this floor is on it',
  elsewhere: 'it feeds another part of the house',
  'its-label': 'its label names the room',
  'another-room': 'its label names another room',
  lights: 'its label says lights',
  finder: 'the circuit finder names it',
  large: 'large for a light',
  'another-line': 'another line of this box is on it',
}

export const reasonWords = (say: Say, reason: HuntReason): string => say(REASONS[reason])

/** What is watched, where it is no light. */
export const METER_WORDS = 'the meter'

/** What it did when its breaker was thrown, and when another was. */
export const wentDark = (say: Say, seen: string): string =>
  seen === METER_WORDS ? say`${say(METER_WORDS)} fell to 0 V` : say`${seen} went dark`
export const stayed = (seen: string): string => (seen === METER_WORDS ? 'live' : 'lit')

/** Breaker 4 “Hall and stair”, in the region’s word. */
export const breakerName = ({ region }: BoxView, { breaker, label }: Breaker): string => {
  const say = sayIn(region)
  return say`breaker ${breaker}${label ? ` “${label}”` : ''}`
}
