import type { Command, Origin, UndoCommand } from '@/core/job/command'
import { thisDevice } from './device'
import { keepUnsent } from './unsent'

/** Takes over what earlier versions kept elsewhere of a job; what cannot be taken over stays where it is. */
export async function takeOverOld(jobId: string): Promise<void> {
  try {
    const list = `every-room/pending/${jobId}`
    const each = Object.keys(localStorage).filter(key => key.startsWith(`every-room/unsent/${jobId}/`))
    for (const key of [...(list in localStorage ? [list] : []), ...each.sort()]) await takeOver(jobId, key)
  } catch {
    // It stays where it is.
  }
}

async function takeOver(jobId: string, key: string): Promise<void> {
  const kept = JSON.parse(localStorage.getItem(key) ?? '[]') as Command | UndoCommand | Command[]
  for (const [at, command] of [kept].flat().entries()) {
    // The earliest did not say what its person had seen: nothing, then.
    const origin = { device: thisDevice(), number: at + 1, seen: 0, by: '' }
    await keepUnsent(jobId, { ...command, origin: (command.origin as Origin | undefined) ?? origin })
  }
  localStorage.removeItem(key)
}
