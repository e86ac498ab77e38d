import { regionOf } from '@/core/model/regions'
import type { JobRecord } from '@/core/model/record'

/** A breaker by its number, or the main switch (null), within a sentence. */
export const switchName = (record: JobRecord, circuitId: string | null): string =>
  circuitId === null
    ? 'the main switch'
    : `${regionOf(record.job.regionId).words.breaker} ${record.circuits[circuitId]?.breaker ?? ''}`
