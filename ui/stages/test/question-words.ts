import type { Answer, Question, Spot } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import type { Region } from '@/core/model/regions'
import { INSTRUMENT_WORDS, plain } from '../../words'

/** A question in the words of the boxes it is asked in. */
export function wordsOf(question: Question, views: readonly BoxView[]) {
  const [first] = views
  const { words } = first!.region
  const spot = (each: Spot): string => {
    switch (each.kind) {
      case 'end':
        return endWords(each.end, views)
      case 'earth':
        return `the proved ${words.ground}`
      case 'lamp-holder':
        return `the ${words.hot} contact of an empty lamp holder, ${lightWords(views, each.light)}`
      case 'panel-hot':
        return `the circuit’s ${words.hot}, taken off its ${words.breaker} at the ${words.panel}`
    }
  }
  const worked = question.work === null ? null : deviceWords(views, question.work)
  return {
    instrument: INSTRUMENT_WORDS[question.kind === 'continuity' ? 'continuity' : 'low-impedance-meter'],
    from: spot(question.from),
    to: spot(question.to),
    worked,
    stand:
      question.apart.length === 0
        ? 'everything in place'
        : question.apart.length === 1
          ? `conductors apart in ${boxWords(views.find(({ box }) => box.id === question.apart[0])!)}`
          : 'conductors apart in every box of the group',
    power: `${plain(words.breaker)} ${question.power}`,
  }
}

/** A conductor end by its name, and by its box where there are several. */
export function endWords(id: string, views: readonly BoxView[]): string {
  const view = views.find(({ ends }) => ends.some(({ end }) => end.id === id))
  const name = view?.ends.find(({ end }) => end.id === id)?.name ?? id
  return views.length > 1 && view ? `${name} (${boxWords(view)})` : name
}

export const boxWords = ({ room, box }: BoxView) => `${room.name}, ${box.name}`

const lightWords = (views: readonly BoxView[], groupId: string) =>
  views.flatMap(({ places }) => places).find(({ group }) => group.id === groupId)?.group.name ?? 'the light'

function deviceWords(views: readonly BoxView[], deviceId: string): string {
  for (const view of views)
    for (const { found, place } of view.places)
      if (found?.id === deviceId)
        return `the switch in ${boxWords(view)}${view.box.gangs > 1 ? `, gang ${place.gang}` : ''}`
  return 'the switch'
}

/** Answers that are no figure, as a button says them. */
const ANSWER_WORDS: Partial<Record<Answer, string>> = {
  dead: '0 to 5 V',
  between: 'Something between',
  'light-changes': 'The light changes',
}

/** An answer as a button says it. */
export const answerWords = (answer: Answer, { nominalVolts }: Region): string =>
  answer === 'nominal'
    ? `About ${nominalVolts} V`
    : answer === 'double'
      ? `${Math.round(nominalVolts * 1.7)} V or more`
      : (ANSWER_WORDS[answer] ?? plain(answer))
