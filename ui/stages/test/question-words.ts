import { placeName } from '@/core/job/place-name'
import type { Answer, Question, Spot } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { WIRE_OHMS } from '@/core/model/limits'
import type { Region } from '@/core/model/regions'
import { INSTRUMENT_WORDS, plain } from '../../words'
import { sayIn, type Say } from '@/core/words/say'

/** A question in the words of the boxes it is asked in. */
export function wordsOf(question: Question, views: readonly BoxView[]) {
  const [first] = views
  const say = sayIn(first!.region)
  const spot = (each: Spot): string => {
    switch (each.kind) {
      case 'end':
        return endWords(each.end, views)
      case 'earth':
        return say`the proved ground`
      case 'lamp-holder':
        return say`the hot contact of an empty lamp holder, ${lightWords(say, views, each.light)}`
      case 'panel-hot':
        return say`the circuit’s hot, taken off its breaker at the panel`
    }
  }
  const worked = question.work === null ? null : deviceWords(say, views, question.work)
  return {
    instrument: say(INSTRUMENT_WORDS[question.kind === 'continuity' ? 'continuity' : 'low-impedance-meter']),
    from: spot(question.from),
    to: spot(question.to),
    worked,
    stand:
      question.apart.length === 0
        ? say`everything in place`
        : question.apart.length === 1
          ? say`conductors apart in ${boxWords(views.find(({ box }) => box.id === question.apart[0])!)}`
          : say`conductors apart in every box of the group`,
    power: say`Breaker ${question.power}`,
  }
}

/** A conductor end by its name, and by its box where there are several. */
export function endWords(id: string, views: readonly BoxView[]): string {
  const view = views.find(({ ends }) => ends.some(({ end }) => end.id === id))
  const name = view?.ends.find(({ end }) => end.id === id)?.name ?? id
  return views.length > 1 && view ? `${name} (${boxWords(view)})` : name
}

export const boxWords = ({ room, box }: BoxView) => `${room.name}, ${box.name}`

const lightWords = (say: Say, views: readonly BoxView[], groupId: string) =>
  views.flatMap(({ places }) => places).find(({ group }) => group.id === groupId)?.group.name ??
  say`the light`

function deviceWords(say: Say, views: readonly BoxView[], deviceId: string): string {
  for (const view of views)
    for (const { found, place } of view.places)
      if (found?.id === deviceId) return say`the switch in ${placeName(view.record, place)}`
  return say`the switch`
}

/** Answers that are no figure, as a button says them. */
const ANSWER_WORDS: Partial<Record<Answer, string>> = {
  dead: '0 to 5 V',
  between: 'Something between',
  'light-changes': 'The light changes',
}

/** An answer as a button says it. */
export const answerWords = (answer: Answer, region: Region): string => {
  const say = sayIn(region)
  const { nominalVolts } = region
  return answer === 'nominal'
    ? say`About ${nominalVolts} V`
    : answer === 'double'
      ? say`${Math.round(nominalVolts * 1.7)} V or more`
      : answer === 'wire'
        ? say`${WIRE_OHMS} Ω or less`
        : say(ANSWER_WORDS[answer] ?? plain(answer))
}
