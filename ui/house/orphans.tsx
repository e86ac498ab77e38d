'use client'

import { rowsWith } from '@/core/model/record'
import { lightRemoved, lightsWithoutPlaces } from '@/core/recording'
import { useEdits, useJob } from '../job/provider'
import { Button } from '../primitives/button'
import { LAMP_WORDS } from '../words'
import { useSay } from '../words/use-say'

/** Lights that no switch works: their place was removed, or is not recorded yet. */
export function Orphans() {
  const say = useSay()

  const { record } = useJob()
  const edits = useEdits(null)
  const lights = lightsWithoutPlaces(record)
  if (lights.length === 0) return null
  return (
    <section aria-labelledby="orphans" className="mt-4 rounded-lg bg-sheet p-3">
      <h2 id="orphans" className="text-base">{say`Lights that no recorded place works`}</h2>
      <ul className="flex flex-col divide-y divide-rule">
        {lights.map(light => (
          <li key={light.id} className="flex flex-wrap items-center justify-between gap-2 py-1">
            <span>
              {light.name}{' '}
              <span className="text-soft">
                {rowsWith(record, 'loads', 'groupId', light.id)
                  .map(({ count, wattsEach, kind }) => `${count} × ${wattsEach} W ${say(LAMP_WORDS[kind])}`)
                  .join('; ') || say`no lamps`}
              </span>
            </span>
            <Button
              aria-label={say`Remove ${light.name}, with its lamps`}
              onClick={() => edits.send('remove a light', lightRemoved(edits, light.id))}
            >{say`Remove`}</Button>
          </li>
        ))}
      </ul>
      <p className="text-sm text-soft">{say`A place that works one of them says so on Look: “Works the same light as”.`}</p>
    </section>
  )
}
