import Joi from 'joi'
import { dayCalendar } from '@/server/day-calendar'
import { answered, fileNamed } from '@/server/http'

const ASKED = Joi.object({
  date: Joi.string()
    .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
    .optional(),
  start: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
    .default('08:00'),
})

export async function GET(request: Request, { params }: { params: Promise<{ jobId: string }> }) {
  return answered(async () => {
    const { jobId } = await params
    const asked = ASKED.validate(Object.fromEntries(new URL(request.url).searchParams), { abortEarly: false })
    if (asked.error)
      return Response.json(
        {
          kind: 'refused',
          faults: asked.error.details.map(({ path, message }) => ({
            path: `/${path.join('/')}`,
            code: 'range',
            message,
          })),
        },
        { status: 422 },
      )
    const { date, start } = asked.value as { date?: string; start: string }
    const calendar = await dayCalendar(jobId, date ?? new Date().toISOString().slice(0, 10), start)
    if (calendar === null) return Response.json({ kind: 'no-such-job' }, { status: 404 })
    return new Response(calendar.text, {
      headers: {
        'content-type': 'text/calendar; charset=utf-8',
        'content-disposition': fileNamed(calendar.house, '-day.ics'),
      },
    })
  })
}
