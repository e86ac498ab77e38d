import { expect, test } from '@playwright/test'
import { STAGES } from '@/core/model/vocabulary'
import { quillbackRoad } from '@/demo/quillback'
import { saltpanQuay } from '@/demo/saltpan'
import { bringIn } from './helpers'
import { foreignOn, shownIn, writtenIn } from './spoken'

const HOUSE_PAGES = [
  '',
  '/panel',
  '/tags',
  '/certificate',
  '/day',
  '/defects',
  '/pick',
  '/rules',
  '/whole',
  '/sheets',
]

test('every page of the demo jobs is made, in the words of its region: the house’s, and each stage of each box', async ({
  request,
}) => {
  const failed: string[] = []
  const foreign: string[] = []
  for (const record of [quillbackRoad(), saltpanQuay()]) {
    const jobId = await bringIn(request, record)
    const written = writtenIn(record)
    const pages = [
      ...HOUSE_PAGES,
      ...Object.keys(record.boxes).flatMap(boxId => STAGES.map(stage => `/boxes/${boxId}/${stage}`)),
    ]
    for (const page of pages) {
      const answer = await request.get(`/jobs/${jobId}${page}`)
      if (answer.status() !== 200) failed.push(`${answer.status()} ${page}`)
      for (const each of foreignOn(shownIn(await answer.text()), record.job.regionId, written))
        foreign.push(`${record.job.regionId}${page} ${each}`)
    }
  }
  expect(failed).toEqual([])
  expect(foreign).toEqual([])
})
