import { yearWith, type YearAsked } from '@/core/setup'
import type { Answer, Question } from './ask'

self.addEventListener('message', ({ data }: MessageEvent<Question<YearAsked>>) => {
  self.postMessage({ id: data.id, value: yearWith(data.value) } satisfies Answer<ReturnType<typeof yearWith>>)
})
