'use client'

import { Link } from '../../job/link'
import { useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { rowsOf } from '@/core/model/record'
import type { FarEnd } from '@/core/model/vocabulary'
import { luminaireRecorded, otherBoxOf, unlinked } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField } from '../../primitives/fields'
import { boxNamed } from './far-words'
import { useSay } from '../../words/use-say'
import { LINK_LOOK } from '../../primitives/link-look'
import { part } from '../../primitives/part'

const LinkSheet = part(() => import('./link-sheet').then(module => module.LinkSheet))

/** Where a cable leads: to no box, or to which one and which cable there. */
export function LeadsTo({ view, cable }: { view: BoxView; cable: Cable }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const [linking, setLinking] = useState(false)
  const otherId = otherBoxOf(cable, view.box.id)
  const other = otherId === null ? undefined : view.record.boxes[otherId]
  const lead = (far: FarEnd) => {
    if (far === 'box') setLinking(true)
    else edits.send('edit a cable', unlinked(edits, view.record, cable.id, view.box.id, far))
  }
  return (
    <>
      <PickOne
        label={say`Leads to`}
        value={cable.far}
        options={[
          { value: 'panel', words: say`Panel` },
          { value: 'box', words: other ? boxNamed(view.record, other) : say`Another box` },
          { value: 'luminaire', words: say`Luminaire` },
          { value: 'elsewhere', words: say`Elsewhere` },
          { value: 'not-known', words: say`Not known` },
        ]}
        onCommit={lead}
      />
      {other && (
        <div className="flex flex-wrap gap-2">
          <Link
            href={`/jobs/${view.record.job.id}/boxes/${other.id}/look`}
            className={LINK_LOOK}
          >{say`Look there`}</Link>
          <Button onClick={() => setLinking(true)}>{say`It leads to another box`}</Button>
        </div>
      )}
      {cable.far === 'luminaire' && <ToLuminaire view={view} cable={cable} />}
      {linking && <LinkSheet view={view} cable={cable} onClose={() => setLinking(false)} />}
    </>
  )
}

/** Which lamps hang there, and whether their box is looked into as well. */
function ToLuminaire({ view, cable }: { view: BoxView; cable: Cable }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const own = new Set(view.places.flatMap(({ loads }) => loads.map(({ id }) => id)))
  const loads = [...rowsOf(view.record, 'loads')].sort(
    (a, b) => Number(own.has(b.id)) - Number(own.has(a.id)),
  )
  const load = view.record.loads[cable.farLoadId ?? '']
  const [only] = view.places.length === 1 ? view.places : []
  const groupId = load?.groupId ?? only?.group.id ?? null
  const name = load?.name ?? only?.group.name ?? say`Luminaire`
  const record = () =>
    edits.send(
      'record a luminaire',
      luminaireRecorded(edits, view.record, cable, view.box.id, {
        name,
        groupId,
        loadId: load?.id ?? (only?.loads.length === 1 ? only.loads[0]!.id : null),
      }).edits,
    )
  return (
    <div className="flex flex-wrap items-end gap-2">
      {loads.length > 0 && (
        <div className="min-w-40 flex-1">
          <SelectField
            label={say`Lamps it was seen to lead to`}
            value={cable.farLoadId ?? 'not-said'}
            options={[
              { value: 'not-said', words: say`Not said` },
              ...loads.map(({ id, name: words }) => ({ value: id, words })),
            ]}
            onCommit={id =>
              edits.send('edit a cable', [
                edits.change('cables', cable.id, { farLoadId: id === 'not-said' ? null : id }),
              ])
            }
          />
        </div>
      )}
      <Button onClick={record}>{say`Look into the luminaire, too`}</Button>
    </div>
  )
}
