'use client'

import { isOfPair } from '@/core/job/low-voltage'
import type { BoxView } from '@/core/job/box-view'
import { fillAsFound, volumeOf } from '@/core/check'
import { BOX_KINDS, BOX_MATERIALS, SURFACES, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { figure } from '@/core/model/units'
import { rowsOf } from '@/core/model/record'
import { gangsChanged, kindChanged, MOST_GANGS } from '@/core/recording'
import { BoxOfTable, Depth, Divided, MarkedVolume, NearWater } from '../../facts/box-facts'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { CheckField, NumberField, PickOne, SelectField, TextField } from '../../primitives/fields'
import { BOX_KIND_WORDS, plain } from '../../words'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import { LengthField } from '../../primitives/length-field'
import { measuresOf } from '@/core/model/measures'
import { goTo } from '../../job/link'

/** The box itself: material, volume, depth, set-back, and how full it is as found. */
export function BoxForm({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const house = useEdits(null)
  const { box, region } = view
  const change = (fields: Parameters<typeof edits.change<'boxes'>>[2]) =>
    edits.send('edit a box', [edits.change('boxes', box.id, fields)])
  return (
    <Part title={say`Box`}>
      <SelectField
        label={say`Room`}
        value={box.roomId}
        options={rowsOf(view.record, 'rooms').map(({ id, name }) => ({ value: id, words: name }))}
        onCommit={roomId => change({ roomId })}
      />
      <TextField
        label={say`Where it is`}
        value={box.name}
        max={80}
        required
        onCommit={name => change({ name })}
      />
      <PickOne
        label={say`Material`}
        value={box.material}
        options={BOX_MATERIALS.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={material => change({ material })}
      />
      {box.material === 'metal' && (
        <PickOne
          label={say`Bonded to the ground`}
          value={box.bonded}
          options={YES_NO_UNKNOWN.map(value => ({ value, words: say(plain(value)) }))}
          onCommit={bonded => change({ bonded })}
        />
      )}
      {(view.ends.some(isOfPair) || box.divided !== 'not-known') && <Divided box={box} onChange={change} />}
      <PickOne
        label={say`What is at it`}
        value={box.kind}
        options={BOX_KINDS.map(value => ({ value, words: say(BOX_KIND_WORDS[value]) }))}
        onCommit={kind => edits.send('edit a box', kindChanged(edits, view.record, box.id, kind))}
      />
      {box.kind === 'control' && (
        <PickOne
          label={say`Gangs`}
          value={String(box.gangs)}
          options={Array.from({ length: MOST_GANGS }, (_, at) => String(at + 1)).map(value => ({
            value,
            words: value,
          }))}
          onCommit={value =>
            edits.send('edit a box', gangsChanged(edits, view.record, box.id, Number(value)))
          }
        />
      )}
      {region.fillBy === 'volume' && (
        <>
          <BoxOfTable box={box} onChange={change} trade={trade} />
          <MarkedVolume box={box} onChange={change} />
          {box.volumeCubicInches !== null && (
            <PickOne
              label={say`Volume known from`}
              value={box.volumeBasis}
              options={[
                { value: 'marked', words: say`Its mark` },
                { value: 'table', words: say`The table` },
                { value: 'measured', words: say`Measuring` },
              ]}
              onCommit={volumeBasis => change({ volumeBasis })}
            />
          )}
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label={say`A ring on it adds`}
              unit={say`in³`}
              value={box.ringCubicInches}
              min={0.5}
              max={100}
              nullable
              empty={say`no ring`}
              onCommit={ringCubicInches => change({ ringCubicInches })}
            />
            <NumberField
              label={say`Studs and hickeys, kinds`}
              value={box.fittingKinds}
              min={0}
              max={4}
              onCommit={kinds => kinds !== null && change({ fittingKinds: Math.round(kinds) })}
            />
          </div>
          <FillBar view={view} />
        </>
      )}
      <div className="grid grid-cols-2 gap-3">
        <Depth box={box} onChange={change} measures={measuresOf(view.record)} />
        <LengthField
          measures={measuresOf(view.record)}
          label={say`Set back from the surface`}
          value={box.setBackMillimetres}
          least={0}
          most={60}
          onCommit={setBackMillimetres => change({ setBackMillimetres })}
        />
      </div>
      <SelectField
        label={say`Surface`}
        value={box.surface}
        options={SURFACES.map(value => ({ value, words: say(plain(value)) }))}
        onCommit={surface => change({ surface })}
      />
      <NearWater box={box} onChange={change} region={region} />
      <div className="grid grid-cols-2 gap-3">
        <LengthField
          measures={measuresOf(view.record)}
          label={say`Free conductor, the shortest`}
          value={box.freeLengthMillimetres}
          least={0}
          most={1000}
          onCommit={freeLengthMillimetres => change({ freeLengthMillimetres })}
        />
        <TextField label={say`Old plate`} value={box.plate} max={120} onCommit={plate => change({ plate })} />
      </div>
      <CheckField
        label={say`Inner cable clamps`}
        value={box.innerClamps}
        onCommit={innerClamps => change({ innerClamps })}
      />
      <CheckField
        label={say`Covered: it cannot be reached without damage`}
        value={box.hidden}
        onCommit={hidden => change({ hidden })}
      />
      <Button
        onClick={() => {
          if (house.send('remove a box', [house.remove('boxes', box.id)])) goTo(`/jobs/${view.record.job.id}`)
        }}
      >{say`Remove this box`}</Button>
    </Part>
  )
}

/** How full it is as found: a bar with the box’s volume marked. */
function FillBar({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const volume = volumeOf(view.box)
  if (volume === null || view.ends.length === 0) return null
  const fill = fillAsFound(view, trade)
  const over = fill.cubicInches > volume
  return (
    <details>
      <summary className="min-h-11 py-1">
        <span className="block text-sm font-semibold">{say`As found ${figure(fill.cubicInches, 2)} of ${figure(volume, 2)} in³${over ? say`: overfull` : ''}`}</span>
        <span
          aria-hidden="true"
          className="relative mt-1 block h-3 w-full overflow-hidden rounded border border-ink"
        >
          <span
            className="absolute inset-y-0 left-0 bg-ink"
            style={{ width: `${Math.min(100, (fill.cubicInches / volume) * 100)}%` }}
          />
        </span>
      </summary>
      <p className="text-sm">{fill.says}</p>
    </details>
  )
}
