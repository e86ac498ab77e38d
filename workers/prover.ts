import type { Circuit } from '@/core/model/circuit'
import { prove } from '@/core/prove'
import type { Answer, Question } from './ask'

/** The prover, off the page's own thread: plain data in, plain data out. */
self.onmessage = ({ data }: MessageEvent<Question<Circuit>>) => {
  const answer: Answer<ReturnType<typeof prove>> = { id: data.id, value: prove(data.value) }
  self.postMessage(answer)
}
