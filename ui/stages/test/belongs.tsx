'use client'

import { isHotRole, isLoadRole } from '@/core/model/roles'
import type { BoxView, EndView } from '@/core/job/box-view'
import { circuitsOf } from '@/core/job/circuits'
import { tiedBoxes } from '@/core/job/tied'
import { rowsOf } from '@/core/model/record'
import { pairSaid } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { PickOne, SelectField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { LeadsTo } from '../look/leads-to'
import { useSay } from '../../words/use-say'

const NONE = 'none'

/** Whose a conductor is: its pair, its circuit, its light, and where its cable leads. */
export function Belongs({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const { end } = strand
  const asked =
    (isLoadRole(end.role) && view.places.length !== 1) ||
    ((isHotRole(end.role) || end.role === 'neutral') &&
      (view.feeds.length > 1 || circuitsOf(tiedBoxes(view.record, view.box.id)).of(strand) === null))
  return (
    <>
      {end.role === 'traveller' && <ItsPair view={view} strand={strand} />}
      {asked && <Whose view={view} strand={strand} />}
      <Folded
        summary={
          <summary className="min-h-11 py-2 font-semibold">
            {asked ? say`Where it leads` : say`Its circuit, its light, where it leads`}
          </summary>
        }
      >
        <div className="flex flex-col gap-3">
          {!asked && <Whose view={view} strand={strand} />}
          <LeadsTo view={view} cable={strand.cable} />
        </div>
      </Folded>
    </>
  )
}

/** The other of the two: in the same cable, or on the same old switch. */
function ItsPair({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const near = view.ends.filter(
    each =>
      each.end.id !== strand.end.id &&
      each.end.role !== 'ground' &&
      (each.cable.id === strand.cable.id ||
        (each.end.deviceId !== null && each.end.deviceId === strand.end.deviceId)),
  )
  const travellers = near.filter(({ end }) => end.role === 'traveller')
  const beside = travellers.filter(({ cable }) => cable.id === strand.cable.id)
  const partners = beside.length > 0 ? beside : travellers
  return (
    <PickOne
      label={say`Its pair is`}
      value={partners.length === 1 ? partners[0]!.end.id : null}
      options={near.map(({ end, name }) => ({ value: end.id, words: name }))}
      onCommit={id => edits.send('set a role', pairSaid(edits, view.record, [id]))}
    />
  )
}

function Whose({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { record } = view
  const change = (fields: Parameters<typeof edits.change<'ends'>>[2]) =>
    edits.send('set a role', [edits.change('ends', strand.end.id, fields)])
  const feeding = new Set(view.feeds.map(({ circuit }) => circuit.id))
  const circuits = [...rowsOf(record, 'circuits')].sort(
    (a, b) => Number(feeding.has(b.id)) - Number(feeding.has(a.id)),
  )
  const near = new Set(
    tiedBoxes(record, view.box.id).flatMap(({ places }) => places.map(({ group }) => group.id)),
  )
  const lights = [...rowsOf(record, 'groups')].sort((a, b) => Number(near.has(b.id)) - Number(near.has(a.id)))
  return (
    <div className="grid gap-3 sm:grid-cols-2">
      <SelectField
        label={say`Of breaker`}
        value={strand.end.roleCircuitId ?? NONE}
        options={[
          { value: NONE, words: say`Not said` },
          ...circuits.map(({ id, breaker, label }) => ({
            value: id,
            words: `${breaker}${label ? `: ${label}` : ''}${feeding.has(id) ? '' : say`, not known to feed here`}`,
          })),
        ]}
        onCommit={id => change({ roleCircuitId: id === NONE ? null : id })}
      />
      <SelectField
        label={say`For the light`}
        value={strand.end.roleGroupId ?? NONE}
        options={[
          { value: NONE, words: say`Not said` },
          ...lights.map(({ id, name }) => ({ value: id, words: name })),
        ]}
        onCommit={id => change({ roleGroupId: id === NONE ? null : id })}
      />
    </div>
  )
}
