'use client'

import { useMemo } from 'react'
import { basisOf, type Identification } from '@/core/identify'
import type { BoxView } from '@/core/job/box-view'
import { rowsWith } from '@/core/model/record'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Part } from '../../primitives/titled-part'
import { boxWords } from './question-words'
import { useSay } from '../../words/use-say'

/** Found roles go into the record in one step, with what they rest on. */
export function TakeOver({
  views,
  identification,
  current,
}: {
  views: readonly BoxView[]
  identification: Identification
  current: boolean
}) {
  const say = useSay()

  const edits = useEdits(views[0]!.box.id)
  const { record, box } = views[0]!
  const basis = useMemo(() => basisOf(record, box.id), [record, box.id])
  const proven = identification.known.filter(({ proof, endId, candidates: [first] }) => {
    if (proof !== 'proven' || !first) return false
    const finding = rowsWith(record, 'findings', 'endId', endId)[0]
    return record.ends[endId]?.role !== first.role || finding?.role !== first.role || finding.basis !== basis
  })
  if (proven.length === 0) return null
  const take = () =>
    edits.send(
      'set a role',
      proven.flatMap(({ endId, candidates: [first], lightId }) => {
        const end = record.ends[endId]!
        const fields = {
          ...(end.role === first!.role ? {} : { role: first!.role }),
          ...(lightId !== null && end.roleGroupId !== lightId ? { roleGroupId: lightId } : {}),
        }
        return [
          ...(Object.keys(fields).length > 0 ? [edits.change('ends', endId, fields)] : []),
          ...rowsWith(record, 'findings', 'endId', endId).map(({ id }) => edits.remove('findings', id)),
          edits.add('findings', { id: newId(), endId, role: first!.role, proof: 'proven', basis }),
        ]
      }),
    )
  const places = [
    ...new Set(
      proven.flatMap(({ endId }) => views.find(({ ends }) => ends.some(({ end }) => end.id === endId)) ?? []),
    ),
  ]
  return (
    <Part
      next={`take-over-${proven.length}`}
      title={say.count(proven.length, '# conductor proven', '# conductors proven')}
    >
      <p>
        {proven
          .map(
            ({ endId }) => views.flatMap(({ ends }) => ends).find(({ end }) => end.id === endId)?.name ?? '',
          )
          .join(', ')}
        {views.length > 1 ? say` in ${places.map(boxWords).join('; ')}` : ''}
      </p>
      <Button
        look="main"
        disabled={!current}
        onClick={take}
      >{say`Take ${proven.length === 1 ? say`this role` : say`these roles`} over`}</Button>
    </Part>
  )
}
