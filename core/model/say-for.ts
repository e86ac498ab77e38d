import { sayIn, type Say } from '../words/say'
import type { Circuit } from './circuit'
import type { JobRecord } from './record'
import { regionOf } from './regions'

/** How everything is said on a job. */
export const sayFor = (record: JobRecord): Say => sayIn(regionOf(record.job.regionId))

/** How everything is said about a circuit. */
export const sayAbout = ({ saidIn }: Pick<Circuit, 'saidIn'>): Say =>
  sayIn(regionOf(saidIn ?? 'north-america-120'))
