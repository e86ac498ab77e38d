/** What must hold in every state, in the order it is told. */
export const PROPERTY_IDS = [
  'full',
  'off',
  'every-place-acts',
  'no-short',
  'return-unswitched',
  'ground-idle',
  'ground-reaches',
  'supply-alive',
  'signals',
  'control-pair',
  'onward-feed',
  'isolates',
  'own-circuit',
  'no-over-voltage',
  'no-bare-end',
  'the-plan',
] as const
export type PropertyId = (typeof PROPERTY_IDS)[number]
