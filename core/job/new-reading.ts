import type { Reading } from '../model/entities'

/** What a reading says where nothing else is said of it: low-impedance meter, as found, nothing worked. */
export const PLAIN_READING = {
  purpose: 'identify',
  instrument: 'low-impedance-meter',
  fromEndId: null,
  toEndId: null,
  reference: null,
  value: 0,
  breaker: 'on',
  switchPosition: 'not-known',
  stand: 'as-found',
  toSpot: null,
  toGroupId: null,
  workedDeviceId: null,
  answer: null,
  note: '',
} as const satisfies Partial<Reading>
