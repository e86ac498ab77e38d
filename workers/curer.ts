import { nearestCure, type Cure, type Room, type Sensor } from '@/core/setup'
import type { Answer, Question } from './ask'

export interface CureQuestion {
  readonly room: Room
  readonly from: Sensor
  /** Other boxes of the room, points of the ceiling, other kinds. */
  readonly others: readonly Sensor[]
}

export interface CureAnswer {
  readonly cure: Cure | null
  readonly looked: number
}

self.addEventListener('message', ({ data }: MessageEvent<Question<CureQuestion>>) => {
  const { room, from, others } = data.value
  self.postMessage({ id: data.id, value: nearestCure(room, from, others) } satisfies Answer<CureAnswer>)
})
