import type Joi from 'joi'
import pino from 'pino'
import { fromJson } from '@/core/format/json'
import { isAway } from './database'

export const log = pino({ level: process.env.LOG_LEVEL ?? 'info' })

/** Bodies larger than this are not read: the largest whole-house job file is far below. */
const MOST_BYTES = 8 * 1024 * 1024

/** The text of a request body, or null where it is too large. */
export async function bodyOf(request: Request): Promise<string | null> {
  const bytes = await bytesOf(request, MOST_BYTES)
  return bytes === null ? null : new TextDecoder().decode(bytes)
}

/** What a body says, or null where it is no JSON: for a schema to refuse. */
export function parsedJson(body: string): unknown {
  const read = fromJson(body)
  return read.ok ? read.value : null
}

/** The bytes of a request body, or null where there are more than `most`: cut off while it arrives. */
export async function bytesOf(request: Request, most: number): Promise<Buffer | null> {
  const declared = Number(request.headers.get('content-length') ?? 0)
  if (declared > most || !request.body) return declared > most ? null : Buffer.alloc(0)
  // Nobody sends more than was declared: the parser takes what is beyond it for another request.
  if (declared > 0) return Buffer.from(await request.arrayBuffer())
  const parts: Uint8Array[] = []
  let length = 0
  for await (const part of request.body as unknown as AsyncIterable<Uint8Array>) {
    length += part.length
    if (length > most) return null
    parts.push(part)
  }
  return Buffer.concat(parts)
}

/** The header under which a browser keeps a file: named after the house, in letters that any system takes. */
export function fileNamed(house: string, ending: string): string {
  const slug =
    house
      .replace(/[^\p{L}\p{N}]+/gu, '-')
      .replace(/^-|-$/g, '')
      .toLowerCase() || 'job'
  const plain = slug.normalize('NFKD').replace(/[^a-z0-9-]+/g, '') || 'job'
  return `attachment; filename="${plain}${ending}"; filename*=UTF-8''${encodeURIComponent(slug)}${ending}`
}

const STATUS = { applied: 200, refused: 422, stale: 409, 'no-such-job': 404 } as const

/** Answers a request that writes: its body handed on as text, its outcome by status. */
export const written = (
  request: Request,
  work: (body: string) => Promise<{ readonly kind: keyof typeof STATUS }>,
): Promise<Response> =>
  answered(async () => {
    const body = await bodyOf(request)
    if (body === null) return Response.json({ kind: 'refused', faults: [] }, { status: 413 })
    const outcome = await work(body)
    return Response.json(outcome, { status: STATUS[outcome.kind] })
  })

/** Runs a handler; what it throws is logged and answered as a fault of ours, or as the database being away, without its text. */
export async function answered(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work()
  } catch (error) {
    log.error(error)
    if (isAway(error))
      return Response.json({ kind: 'away' }, { status: 503, headers: { 'retry-after': '5' } })
    return Response.json({ kind: 'server-fault' }, { status: 500 })
  }
}

/** Answers what is asked in an address, by its schema; what does not fit is refused, each at its field. */
export async function asked<Asked>(
  request: Request,
  schema: Joi.Schema,
  answer: (asked: Asked) => Response | Promise<Response>,
): Promise<Response> {
  const given = Object.fromEntries(new URL(request.url).searchParams)
  const { error, value } = schema.validate(given, { abortEarly: false }) as {
    error?: Joi.ValidationError
    value: Asked
  }
  if (!error) return answer(value)
  const faults = error.details.map(({ path, message }) => ({
    path: `/${path.join('/')}`,
    code: 'range',
    message,
  }))
  return Response.json({ kind: 'refused', faults }, { status: 422 })
}
