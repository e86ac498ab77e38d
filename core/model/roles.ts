import type { Role } from './vocabulary'

/** What a role says of the potential: nothing where that is now this, now that. */
export type Side = 'hot' | 'load' | 'neutral' | 'ground' | 'apart' | null

/** The side of each role. */
export const SIDE_OF: Readonly<Record<Role, Side>> = {
  line: 'hot',
  'loop-feed': 'hot',
  'onward-feed': 'hot',
  'switched-load': 'load',
  'loop-return': 'load',
  neutral: 'neutral',
  ground: 'ground',
  spare: 'apart',
  'control-plus': 'apart',
  'control-minus': 'apart',
  traveller: null,
}

export const isHotRole = (role: Role | null): boolean => role !== null && SIDE_OF[role] === 'hot'
export const isLoadRole = (role: Role | null): boolean => role !== null && SIDE_OF[role] === 'load'
/** Low voltage, of the pair that tells drivers how bright to be. */
export const isControlRole = (role: Role | null): role is 'control-plus' | 'control-minus' =>
  role === 'control-plus' || role === 'control-minus'
/** Hot, and from beyond the box. */
export const comesIn = (role: Role | null): boolean => role === 'line' || role === 'loop-feed'
