import type { Cure } from './line'
import type { Question } from './place'
import { sayIn } from '../words/say'

/** What brings into a box what no conductor there can carry. */
export function newCable(question: Question, conductors: string): Cure {
  const say = sayIn(question.view.region)

  return {
    id: 'new-cable',
    says: say`Bring a cable with ${conductors} into this box.`,
    price: question.trade.prices['new-cable'],
    minutes: question.trade.minutes['new-cable'],
    here: false,
  }
}
