import { quillbackRoad } from './quillback'
import { saltpanQuay } from './saltpan'

/** The demo jobs by file name; the files are written from here and read in through the open format. */
export const demoJobs = [
  { file: 'quillback-road-27.everyroom.json', build: quillbackRoad },
  { file: 'saltpan-quay-3.everyroom.json', build: saltpanQuay },
] as const
