import { livingWith, type Living, type LivingAsked } from '@/core/setup'
import type { Answer, Question } from './ask'

self.addEventListener('message', ({ data }: MessageEvent<Question<LivingAsked>>) => {
  self.postMessage({ id: data.id, value: livingWith(data.value) } satisfies Answer<Living>)
})
