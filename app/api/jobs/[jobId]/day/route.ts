import Joi from 'joi'
import { dayCalendar } from '@/server/day-calendar'
import { answered, asked, fileNamed } from '@/server/http'

const ASKED = Joi.object({
  date: Joi.string()
    .pattern(/^\d{4}-(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/)
    .optional(),
  start: Joi.string()
    .pattern(/^([01]\d|2[0-3]):[0-5]\d$/)
    .default('08:00'),
})

export const GET = (request: Request, { params }: { params: Promise<{ jobId: string }> }) =>
  answered(() =>
    asked<{ date?: string; start: string }>(request, ASKED, async ({ date, start }) => {
      const { jobId } = await params
      const calendar = await dayCalendar(jobId, date ?? new Date().toISOString().slice(0, 10), start)
      if (calendar === null) return Response.json({ kind: 'no-such-job' }, { status: 404 })
      return new Response(calendar.text, {
        headers: {
          'content-type': 'text/calendar; charset=utf-8',
          'content-disposition': fileNamed(calendar.house, '-day.ics'),
        },
      })
    }),
  )
