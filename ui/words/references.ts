import type { Say } from '@/core/words/say'

/** What a reading was taken to, or from, where it was no conductor of the box: stored so, and said where it is shown. */
export const REFERENCES = {
  livePoint: 'known live point',
  provingUnit: 'proving unit',
  broughtInGround: 'brought-in ground',
  broughtIn: 'brought-in reference',
  knownGround: 'known ground',
  simulated: 'simulated tester',
} as const

const ours: readonly string[] = Object.values(REFERENCES)

/** As somebody wrote it, or one of ours in the words of the job. */
export const referenceWords = (say: Say, reference: string): string =>
  ours.includes(reference) ? say(reference) : reference
