import { INSTRUMENTS, type TesterShows } from '../model/vocabulary'
import type { Light } from '../solve'

/** A test at points of a circuit: what is held where. */
export type Test =
  | {
      readonly instrument: 'low-impedance-meter' | 'high-impedance-meter' | 'continuity'
      readonly from: string
      readonly to: string
    }
  /** At a point, or at the sheath of a conductor by its id. */
  | { readonly instrument: 'non-contact'; readonly at: string }
  /** Round one conductor, by its id or by one of its ends. */
  | { readonly instrument: 'clamp'; readonly at: string }
  /** Plugged into a receptacle, by the id of the load. */
  | { readonly instrument: 'receptacle-tester' | 'circuit-finder'; readonly at: string }
  /** Looking at a lamp, or at a device’s own small light. */
  | { readonly instrument: 'lamp' | 'indicator'; readonly at: string }

/** Instruments, and what the eye sees by itself. */
export const TEST_INSTRUMENTS = [
  ...INSTRUMENTS,
  'lamp',
  'indicator',
] as const satisfies readonly Test['instrument'][]

/** What the lamps of a receptacle tester say together. */
export type WiringSense = TesterShows

/** What the instrument shows, or why it must not be used. */
export type Shown =
  /** Phantom: one side hangs on nothing and is only felt through its neighbours. */
  | { readonly kind: 'volts'; readonly volts: number; readonly phantom: boolean }
  | { readonly kind: 'field'; readonly present: boolean; readonly says: string }
  /** Ohms are null where nothing joins the two. */
  | { readonly kind: 'ohms'; readonly ohms: number | null; readonly sounds: boolean }
  | { readonly kind: 'amps'; readonly amps: number }
  | { readonly kind: 'receptacle'; readonly sense: WiringSense; readonly volts: number }
  | { readonly kind: 'finder'; readonly suggests: readonly string[]; readonly says: string }
  | {
      readonly kind: 'lamp'
      readonly light: Light
      readonly volts: number
      readonly milliamps: number
      readonly says: string
    }
  | { readonly kind: 'indicator'; readonly lit: boolean | null }
  | { readonly kind: 'refused'; readonly hazard: string }
