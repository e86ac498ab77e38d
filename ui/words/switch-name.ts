import type { JobRecord } from '@/core/model/record'
import { sayFor } from '@/core/model/say-for'

/** A breaker by its number, or the main switch (null), within a sentence. */
export const switchName = (record: JobRecord, circuitId: string | null): string => {
  const say = sayFor(record)
  return circuitId === null ? say`the main switch` : say`breaker ${record.circuits[circuitId]?.breaker ?? ''}`
}
