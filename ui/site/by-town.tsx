import { useEffect, useState } from 'react'
import type { Site, Town } from '@/core/model/site'
import { Button } from '../primitives/button'
import { TextField } from '../primitives/fields'
import { useSay } from '../words/use-say'
import { townsCalled } from './towns'

/** Nobody types faster than this. */
const WAITS_MILLISECONDS = 150

type Found = { readonly called: string; readonly towns: readonly Town[] | null }

/** The nearest town by its name: it knows its zone, too. */
export function ByTown({ onKeep }: { onKeep: (site: Site) => void }) {
  const say = useSay()
  const [called, setCalled] = useState('')
  const [found, setFound] = useState<Found | null>(null)
  const asked = called.trim()
  useEffect(() => {
    if (asked === '') return
    const stop = new AbortController()
    const timer = setTimeout(() => {
      void townsCalled(asked, stop.signal).then(
        towns => !stop.signal.aborted && setFound({ called: asked, towns }),
      )
    }, WAITS_MILLISECONDS)
    return () => {
      clearTimeout(timer)
      stop.abort()
    }
  }, [asked])
  const answer = found?.called === asked ? found : null
  return (
    <div className="flex flex-col gap-2">
      <TextField
        label={say`Nearest town`}
        hint={say`Its beginning is enough; “name, part of the country” tells those of one name apart.`}
        value={called}
        max={80}
        live
        onCommit={setCalled}
      />
      {asked !== '' && (
        <div role="status">
          {!answer ? (
            <p>{say`Looking …`}</p>
          ) : answer.towns === null ? (
            <p>{say`The list of towns is on the server, and it cannot be reached now. Figures do as well.`}</p>
          ) : answer.towns.length === 0 ? (
            <p>{say`No town of the list is called so. A larger one nearby does, or figures.`}</p>
          ) : null}
        </div>
      )}
      {asked !== '' && answer?.towns && answer.towns.length > 0 && (
        <ul className="flex flex-col gap-1">
          {answer.towns.map(({ within, ...site }) => (
            <li key={`${site.town} ${within} ${site.latitude} ${site.longitude}`}>
              <Button className="w-full justify-start text-left" onClick={() => onKeep(site)}>
                <span>
                  <strong>{site.town}</strong>
                  {within && `, ${within}`}
                </span>
              </Button>
            </li>
          ))}
        </ul>
      )}
    </div>
  )
}
