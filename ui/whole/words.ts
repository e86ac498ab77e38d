import type { ProposalKind, Totals } from '@/core/whole'

export const PROPOSAL_WORDS: Readonly<Record<ProposalKind, string>> = {
  'least-cost': 'Least cost',
  'least-disturbance': 'Least disturbance',
  'best-match': 'Best match',
}

export const TOTAL_WORDS: Readonly<Record<keyof Totals, string>> = {
  price: 'Price',
  minutes: 'Minutes of work',
  changes: 'Places touched',
  kinds: 'Kinds of device',
  systems: 'Radio systems',
  mixedRooms: 'Unlike plates',
}

/** What the cheapest would have added, as the rest of “cheaper, but …”. */
export const ADDED_WORDS: Readonly<Record<keyof Totals, string>> = {
  price: 'more money elsewhere',
  minutes: 'more minutes of work',
  changes: 'one more place touched',
  kinds: 'one more kind of device',
  systems: 'one more radio system',
  mixedRooms: 'unlike plates in its room',
}
