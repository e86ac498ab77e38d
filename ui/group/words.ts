import type { OutsideEvent } from '@/core/model/device'
import type { Light } from '@/core/solve'

/** What a button says that does this to a device. */
export const EVENT_WORDS: Readonly<Record<OutsideEvent, string>> = {
  toggle: 'Flip',
  press: 'Press',
  release: 'Let go',
  raise: 'Brighter',
  lower: 'Dimmer',
  pull: 'Air gap',
  presence: 'Walk past',
  vacancy: 'Leave the room',
  elapsed: 'Time is up',
  humid: 'It gets humid',
  dry: 'It is dry again',
  dusk: 'Dusk',
  dawn: 'Dawn',
  radio: 'By radio',
}

export const LIGHT_WORDS: Readonly<Record<Light, string>> = {
  dark: 'Dark',
  glows: 'Glows faintly',
  dimmed: 'Dimmed',
  full: 'Full',
  over: 'Too much voltage',
  flickers: 'Flickers',
}
