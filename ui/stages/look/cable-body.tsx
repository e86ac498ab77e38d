'use client'

import { INSULATION_WORDS } from '@/core/words/of-vocabulary'
import type { BoxView } from '@/core/job/box-view'
import type { Cable } from '@/core/model/entities'
import { SHEATHS, type Gauge, type Insulation } from '@/core/model/vocabulary'
import { conductorAdded, entryAt, entryChanged, gaugeChanged, otherBoxOf } from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { CheckField, PickOne, SelectField, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { plain } from '../../words'
import { boxNamed } from './far-words'
import { LeadsTo } from './leads-to'
import { useSay } from '../../words/use-say'

/** One cable: where it leads, its sheath, and each conductor in it. */
export function CableBody({
  view,
  cable,
  onSelect,
}: {
  view: BoxView
  cable: Cable
  onSelect: (endId: string) => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const change = (fields: Parameters<typeof edits.change<'cables'>>[2]) =>
    edits.send('edit a cable', [edits.change('cables', cable.id, fields)])
  const ends = view.ends.filter(each => each.cable.id === cable.id)
  const other = view.record.boxes[otherBoxOf(cable, view.box.id) ?? '']
  const gauges = new Set(ends.map(({ conductor }) => conductor.gauge))
  const own = cable.sheath === 'own-leads'
  return (
    <div className="flex flex-col gap-3 pb-3">
      {!own && <LeadsTo view={view} cable={cable} />}
      <div className="flex flex-wrap gap-2">
        {ends.map(each => (
          <Button key={each.end.id} onClick={() => onSelect(each.end.id)}>
            <Chip insulation={each.conductor.insulation} />
            {each.name}
          </Button>
        ))}
      </div>
      <Folded summary={<summary className="min-h-11 py-2 font-semibold">{say`More of this cable`}</summary>}>
        <div className="flex flex-col gap-3">
          <div className="grid grid-cols-2 gap-3">
            <TextField
              label={say`Name on its tape`}
              value={cable.name}
              max={12}
              required
              onCommit={name => change({ name })}
            />
            <SelectField
              label={say`Sheath`}
              value={cable.sheath}
              options={SHEATHS.filter(value => own === (value === 'own-leads')).map(value => ({
                value,
                words: say(plain(value)),
              }))}
              onCommit={sheath => change({ sheath })}
            />
          </div>
          <PickOne
            label={say`Comes in at the`}
            value={entryAt(cable, view.box.id)}
            options={[
              { value: 'top', words: say`Top` },
              { value: 'bottom', words: say`Bottom` },
            ]}
            onCommit={entry => edits.send('edit a cable', entryChanged(edits, cable, view.box.id, entry))}
          />
          <SelectField<Gauge | 'mixed'>
            label={say`Gauge of all its conductors`}
            value={gauges.size === 1 ? ends[0]!.conductor.gauge : 'mixed'}
            options={[
              ...(gauges.size === 1 ? [] : [{ value: 'mixed' as const, words: say`Not all alike` }]),
              ...view.region.gauges.map(value => ({ value, words: value })),
            ]}
            onCommit={gauge =>
              gauge !== 'mixed' && edits.send('edit a cable', gaugeChanged(edits, view.record, cable, gauge))
            }
          />
          <CheckField
            label={say`Pulled in on this job`}
            value={cable.pulled}
            onCommit={pulled => change({ pulled })}
          />
          <AddConductor view={view} cable={cable} />
          <Button
            onClick={() => edits.send('remove a cable', [edits.remove('cables', cable.id)])}
          >{say`Remove ${own ? say`these wires` : say`cable ${cable.name}`}${other ? say`, here and in ${boxNamed(view.record, other)}` : ''}`}</Button>
        </div>
      </Folded>
    </div>
  )
}

/** One conductor more, at both ends of a cable whose ends are both in boxes. */
function AddConductor({ view, cable }: { view: BoxView; cable: Cable }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const ends = view.ends.filter(each => each.cable.id === cable.id)
  const gauge = ends[0]?.conductor.gauge ?? view.region.usualGauge
  const add = (insulation: Insulation) =>
    edits.send('edit a cable', conductorAdded(edits, view.record, cable, { insulation, gauge }))
  return (
    <fieldset>
      <legend className="mb-1 text-sm font-semibold">{say`Add a conductor`}</legend>
      <div className="flex flex-wrap gap-2">
        {view.region.insulations.map(insulation => (
          <Button
            key={insulation}
            onClick={() => add(insulation)}
            aria-label={say`Add a conductor, ${say(INSULATION_WORDS[insulation])}`}
            className="!px-3"
          >
            <Chip insulation={insulation} />
            {say(INSULATION_WORDS[insulation])}
          </Button>
        ))}
      </div>
    </fieldset>
  )
}
