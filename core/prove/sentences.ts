import type { PropertyId } from './vocabulary'

/** Each property in one plain sentence; apart from the prover, which does not need the words. */
export const PROPERTIES: Readonly<Record<PropertyId, string>> = {
  full: 'On means 93 to 106 % of nominal at the lamp.',
  off: 'Off means the lamp is dark: less current than it takes to glow.',
  'every-place-acts': 'Every place changes the light from every state.',
  'no-short': 'Hot never meets neutral, ground or another hot.',
  'return-unswitched': 'The lamp’s return reaches its own neutral by conductors alone.',
  'ground-idle': 'No current returns over the ground, declared leakage aside.',
  'ground-reaches': 'The ground reaches every device, metal box and luminaire.',
  'supply-alive': 'The electronics are fed in every state, the right way round.',
  signals: 'Signal terminals reach only their own companions.',
  'control-pair': 'A control pair joins a control to its drivers, + to +, and touches no mains.',
  'onward-feed': 'What is fed through this box stays alive in every state.',
  isolates: 'What is isolated is joined to no pole, neither hot nor neutral.',
  'own-circuit': 'Each current returns on the neutral of the circuit that sent it.',
  'no-over-voltage': 'Nothing gets more than 106 % of nominal.',
  'no-bare-end': 'Every conductor end is in a joint, on a terminal, or capped.',
  'the-plan': 'What is joined equals what was planned.',
}
