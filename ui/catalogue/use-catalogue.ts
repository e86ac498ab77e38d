import { useCallback, useState } from 'react'
import type {
  CatalogueCommandName,
  CatalogueEntry,
  CatalogueOutcome,
  CatalogueUndo,
  DevicePut,
} from '@/core/model/catalogue'
import type { Fault } from '@/core/model/result'
import { newId } from '../job/new-id'
import { useSay } from '../words/use-say'

/** What went wrong with the last change, to be read and put away. */
export interface CatalogueTrouble {
  readonly says: string
  readonly faults: readonly Fault[]
}

const AWAY: CatalogueTrouble = {
  says: 'The server cannot be reached. Nothing was changed; try again.',
  faults: [],
}

/** The catalogue as the server has it, and what can be done to it. */
export function useCatalogue(initial: readonly CatalogueEntry[], before: CatalogueUndo) {
  const say = useSay()

  const [entries, setEntries] = useState(initial)
  const [undo, setUndo] = useState(before)
  const [busy, setBusy] = useState(false)
  const [trouble, setTrouble] = useState<CatalogueTrouble | null>(null)

  const take = useCallback(
    (outcome: CatalogueOutcome): boolean => {
      switch (outcome.kind) {
        case 'applied':
          setEntries(now => withChanged(now, outcome.changed))
          setUndo(outcome.undo)
          setTrouble(null)
          return true
        case 'stale':
          setEntries(now =>
            withChanged(
              now,
              outcome.now.map(entry => ({ id: entry.device.id, entry })),
            ),
          )
          setTrouble({
            says: say`Somebody changed ${outcome.now.map(({ device }) => device.name).join(', ')} meanwhile. This is how it is now; your change was not made.`,
            faults: [],
          })
          return false
        case 'refused':
          setTrouble({ says: say`Nothing was changed:`, faults: outcome.faults })
          return false
      }
    },
    [say],
  )

  const post = useCallback(
    async (url: string, body: string, type = 'application/json'): Promise<boolean> => {
      setBusy(true)
      try {
        const answer = await fetch(url, { method: 'POST', headers: { 'content-type': type }, body })
        if (answer.status >= 500) throw new Error('server fault')
        return take((await answer.json()) as CatalogueOutcome)
      } catch {
        setTrouble(AWAY)
        return false
      } finally {
        setBusy(false)
      }
    },
    [take],
  )

  return {
    entries,
    undo,
    busy,
    trouble,
    dismiss: useCallback(() => setTrouble(null), []),
    put: useCallback(
      (name: CatalogueCommandName, puts: readonly DevicePut[]) =>
        post('/api/catalogue', JSON.stringify({ id: newId(), name, puts })),
      [post],
    ),
    takeBack: useCallback(
      (name: 'undo' | 'redo') => {
        const target = undo[name]
        return target
          ? post('/api/catalogue', JSON.stringify({ id: newId(), name, undoes: target.id }))
          : Promise.resolve(false)
      },
      [post, undo],
    ),
    bringIn: useCallback(
      async (file: File) => post(`/api/catalogue/file?id=${newId()}`, await file.text(), 'text/plain'),
      [post],
    ),
  }
}

function withChanged(
  now: readonly CatalogueEntry[],
  changed: readonly { readonly id: string; readonly entry: CatalogueEntry | null }[],
): readonly CatalogueEntry[] {
  const by = new Map(changed.map(({ id, entry }) => [id, entry]))
  const known = new Set(now.map(({ device }) => device.id))
  return [
    ...now.flatMap(entry => (by.has(entry.device.id) ? (by.get(entry.device.id) ?? []) : entry)),
    ...changed.flatMap(({ id, entry }) => (entry && !known.has(id) ? entry : [])),
  ]
}
