import Joi from 'joi'
import { answered, asked, fileNamed } from '@/server/http'
import { PROGRAM_FILES, programFile, type ProgramFile } from '@/server/program-files'

const ASKED = Joi.object({
  year: Joi.number().integer().min(1970).max(2200).required(),
  as: Joi.valid(...PROGRAM_FILES).required(),
})

const TYPES: Readonly<Record<ProgramFile, string>> = { ics: 'text/calendar', csv: 'text/csv' }

/** A year of the program of a place: as a calendar, or as a table of its switchings. */
export const GET = (request: Request, { params }: { params: Promise<{ jobId: string; placeId: string }> }) =>
  answered(() =>
    asked<{ year: number; as: ProgramFile }>(request, ASKED, async ({ year, as }) => {
      const { jobId, placeId } = await params
      const file = await programFile(jobId, placeId, year, as)
      if (file === null) return Response.json({ kind: 'no-such-program' }, { status: 404 })
      return new Response(file.text, {
        headers: {
          'content-type': `${TYPES[as]}; charset=utf-8`,
          'content-disposition': fileNamed(file.house, `-program-${year}.${as}`),
        },
      })
    }),
  )
