import { havingFrom, havingWords, type Since } from '@/core/job/since'
import { answered } from '@/server/http'
import { listenTo } from '@/server/held'
import { loadJob, loadSince } from '@/server/jobs'

interface Context {
  readonly params: Promise<{ jobId: string }>
}

/** A stream that says nothing is taken for gone by what stands between. */
const ALIVE_MILLISECONDS = 15_000

/** Tells of each command to a job as soon as it is written, from what the page has on (`having`, or what it heard last). */
export async function GET(request: Request, { params }: Context) {
  return answered(async () => {
    const { jobId } = await params
    const job = await loadJob(jobId)
    if (!job) return Response.json({ kind: 'no-such-job' }, { status: 404 })
    const heard = request.headers.get('last-event-id')
    const having = havingFrom(heard ?? new URL(request.url).searchParams.get('having'))
    const text = new TextEncoder()
    let stop = () => {}
    const stream = new ReadableStream<Uint8Array>({
      async start(controller) {
        const say = (words: string) => {
          try {
            controller.enqueue(text.encode(words))
          } catch {
            // Nobody listens there any more.
            stop()
          }
        }
        const tell = (since: Since) => say(`id: ${havingWords(since)}\ndata: ${JSON.stringify(since)}\n\n`)
        // What comes while the rest is looked up waits for it.
        let waiting: Since[] | null = []
        const leave = listenTo(jobId, since => (waiting ? void waiting.push(since) : tell(since)))
        const alive = setInterval(() => say(': here\n\n'), ALIVE_MILLISECONDS)
        stop = () => {
          leave()
          clearInterval(alive)
          stop = () => {}
        }
        request.signal.addEventListener('abort', () => {
          stop()
          try {
            controller.close()
          } catch {
            // It is closed already.
          }
        })
        say('retry: 1000\n\n')
        const since = await loadSince(job, having).catch(() => null)
        if (since && since.revision > since.from) tell(since)
        // What cannot be followed from there is fetched.
        else if (!since) say('event: whole\ndata: whole\n\n')
        for (const each of waiting) tell(each)
        waiting = null
      },
      cancel: () => stop(),
    })
    return new Response(stream, {
      headers: {
        ...{ 'content-type': 'text/event-stream; charset=utf-8', 'cache-control': 'no-store, no-transform' },
        'x-accel-buffering': 'no',
      },
    })
  })
}
