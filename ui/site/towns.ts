import type { NearestTown, Town } from '@/core/model/site'

/** Asks the server for towns; null where it cannot be reached. */
async function ask<Answer>(query: Record<string, string>, signal?: AbortSignal): Promise<Answer | null> {
  try {
    const answer = await fetch(`/api/towns?${new URLSearchParams(query)}`, { signal })
    return answer.ok ? ((await answer.json()) as Answer) : null
  } catch {
    return null
  }
}

export const townsCalled = (called: string, signal: AbortSignal): Promise<readonly Town[] | null> =>
  ask<{ readonly towns: readonly Town[] }>({ called }, signal).then(answer => answer?.towns ?? null)

export const townNear = (latitude: number, longitude: number): Promise<NearestTown | null> =>
  ask<NearestTown>({ latitude: String(latitude), longitude: String(longitude) })
