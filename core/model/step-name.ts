import { keyOfTerminal, terminalAt, type TerminalAt, type TerminalKey } from './terminal-key'

/** Which step of a box it is. */
export type StepName =
  | { readonly kind: (typeof ALONE)[number] }
  | { readonly kind: (typeof OF_AN_END)[number]; readonly endId: string }
  | { readonly kind: (typeof OF_A_PLACE)[number]; readonly placeId: string }
  | { readonly kind: 'part'; readonly jointId: string }
  | { readonly kind: 'joint'; readonly netId: string }
  | { readonly kind: 'land' | 'cap-lead'; readonly at: TerminalAt }
  | { readonly kind: 'bypass'; readonly groupId: string }
  /** Of one light, where it is its lamps’. */
  | { readonly kind: 'cure'; readonly cureId: string; readonly groupId: string | null }

/** Steps that a box has once. */
const ALONE = [
  'photo',
  'tester',
  'reference',
  'isolate',
  'plate-off',
  'device-out',
  'dead',
  'tester-again',
  'sign',
  'tug',
  'fold',
  'power',
] as const

/** Steps of one conductor end. */
const OF_AN_END = ['identify', 'clamp', 'parted', 'exchange', 'remark', 'cap'] as const

/** Steps of one control: its settings are made on the device before it goes in, and under its cover before the plate. */
const OF_A_PLACE = ['take-out', 'set-before', 'tape', 'set-under'] as const

/** What a tick of it is kept under: the same step has the same key. */
export function keyOfStep(name: StepName): string {
  const of = ofStep(name)
  return of === null ? name.kind : `${name.kind}:${of}`
}

function ofStep(name: StepName): string | null {
  if ('endId' in name) return name.endId
  if ('placeId' in name) return name.placeId
  switch (name.kind) {
    case 'part':
      return name.jointId
    case 'joint':
      return name.netId
    case 'land':
    case 'cap-lead':
      return keyOfTerminal(name.at)
    case 'bypass':
      return name.groupId
    case 'cure':
      return name.groupId === null ? name.cureId : `${name.cureId}:${name.groupId}`
    default:
      return null
  }
}

/** The step that a tick was kept under; null for what is no step of the work. */
export function stepOfKey(key: string): StepName | null {
  const colon = key.indexOf(':')
  if (colon < 0) return isAlone(key) ? { kind: key } : null
  const [kind, of] = [key.slice(0, colon), key.slice(colon + 1)]
  if (isOfAnEnd(kind)) return { kind, endId: of }
  if (isOfAPlace(kind)) return { kind, placeId: of }
  switch (kind) {
    case 'part':
      return { kind, jointId: of }
    case 'joint':
      return { kind, netId: of }
    case 'land':
    case 'cap-lead':
      return isTerminal(of) ? { kind, at: terminalAt(of) } : null
    case 'bypass':
      return { kind, groupId: of }
    case 'cure': {
      const [cureId = '', groupId = null] = of.split(':')
      return { kind, cureId, groupId }
    }
    default:
      return null
  }
}

const isAlone = (key: string): key is (typeof ALONE)[number] => (ALONE as readonly string[]).includes(key)
const isOfAnEnd = (kind: string): kind is (typeof OF_AN_END)[number] =>
  (OF_AN_END as readonly string[]).includes(kind)
const isOfAPlace = (kind: string): kind is (typeof OF_A_PLACE)[number] =>
  (OF_A_PLACE as readonly string[]).includes(kind)
const isTerminal = (of: string): of is TerminalKey => of.includes('.')

const MOVES: readonly StepName['kind'][] = ['take-out', 'part', 'joint', 'land', 'cap', 'cap-lead']

/** Steps after which something in the box is elsewhere than before. */
export function moves(key: string): boolean {
  const name = stepOfKey(key)
  return name !== null && MOVES.includes(name.kind)
}
