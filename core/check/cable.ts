import type { Cure } from './line'
import type { Question } from './place'

/** What brings into a box what no conductor there can carry. */
export function newCable(question: Question, conductors: string): Cure {
  return {
    id: 'new-cable',
    says: `Bring a cable with ${conductors} into this ${question.view.region.words.box}.`,
    price: question.trade.prices['new-cable'],
    minutes: question.trade.minutes['new-cable'],
    here: false,
  }
}
