export interface Question<Value> {
  readonly id: number
  readonly value: Value
}

export interface Answer<Value> {
  readonly id: number
  readonly value: Value
}

/** What a caller gets: an answer, or word that none came in time or that the worker failed. */
export type Asked<Value> =
  | { readonly kind: 'answered'; readonly value: Value }
  | { readonly kind: 'too-late' }
  | { readonly kind: 'failed' }
  /** Somebody no longer wanted to wait. */
  | { readonly kind: 'stopped' }

/**
 * Asks a worker; always settles. A worker that fails or is too late is ended, and the next question
 * starts another.
 */
export function asker<Given, Value>(start: () => Worker, deadlineMilliseconds: number) {
  let worker: Worker | null = null
  let last = 0
  const waiting = new Set<(asked: Asked<Value>) => void>()
  const ask = (value: Given): Promise<Asked<Value>> =>
    new Promise(resolve => {
      const running = (worker ??= start())
      const id = ++last
      const settle = (asked: Asked<Value>) => {
        clearTimeout(timer)
        waiting.delete(settle)
        running.removeEventListener('message', onMessage)
        running.removeEventListener('error', onError)
        if (asked.kind !== 'answered') {
          running.terminate()
          if (worker === running) worker = null
        }
        resolve(asked)
      }
      const onMessage = ({ data }: MessageEvent<Answer<Value>>) => {
        if (data.id === id) settle({ kind: 'answered', value: data.value })
      }
      const onError = () => settle({ kind: 'failed' })
      const timer = setTimeout(() => settle({ kind: 'too-late' }), deadlineMilliseconds)
      waiting.add(settle)
      running.addEventListener('message', onMessage)
      running.addEventListener('error', onError)
      running.postMessage({ id, value } satisfies Question<Given>)
    })
  /** Ends the worker and all that was asked of it. */
  const stop = () => {
    for (const settle of [...waiting]) settle({ kind: 'stopped' })
  }
  return Object.assign(ask, { stop })
}
