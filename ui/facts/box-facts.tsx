import type { Box } from '@/core/model/entities'
import { cubicCentimetresFrom, figure } from '@/core/model/units'
import type { Measures } from '@/core/model/measures'
import type { Region } from '@/core/model/regions'
import type { Trade } from '@/core/model/trade'
import { YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { NumberField, PickOne, SelectField } from '../primitives/fields'
import { LengthField } from '../primitives/length-field'
import { plain } from '../words'
import { useSay } from '../words/use-say'

/** One fact of a box, wherever it is asked for. */
interface OfBox {
  readonly box: Box
  readonly onChange: (fields: Partial<Omit<Box, 'id' | 'extra'>>) => void
}

export function Divided({ box, onChange, asked = false }: OfBox & { asked?: boolean }) {
  const say = useSay()
  return (
    <PickOne
      label={say`A partition parts low voltage from mains in it`}
      value={box.divided}
      options={YES_NO_UNKNOWN.filter(value => !asked || value !== 'not-known').map(value => ({
        value,
        words: say(plain(value)),
      }))}
      onCommit={divided => onChange({ divided })}
    />
  )
}

/** A kind of the table, by which its volume and its depth are known. */
export function BoxOfTable({ box, onChange, trade }: OfBox & { trade: Trade }) {
  const say = useSay()
  const byTable = trade.boxes.find(
    each => each.cubicInches === box.volumeCubicInches && box.volumeBasis === 'table',
  )
  return (
    <SelectField
      label={say`Box from the table`}
      value={byTable?.words ?? 'other'}
      options={[
        { value: 'other', words: say`Marked or measured below` },
        ...trade.boxes.map(each => ({
          value: each.words,
          words: say`${each.words}: ${each.cubicInches} in³`,
        })),
      ]}
      onCommit={words => {
        const row = trade.boxes.find(each => each.words === words)
        if (row)
          onChange({
            volumeCubicInches: row.cubicInches,
            volumeBasis: 'table',
            depthMillimetres: row.depthMillimetres,
          })
      }}
    />
  )
}

export function MarkedVolume({ box, onChange }: OfBox) {
  const say = useSay()
  return (
    <NumberField
      label={say`Volume marked in it`}
      unit={say`in³`}
      value={box.volumeCubicInches}
      min={1}
      max={200}
      nullable
      hint={
        box.volumeCubicInches === null
          ? undefined
          : say`${figure(cubicCentimetresFrom(box.volumeCubicInches), 0)} cm³`
      }
      onCommit={volumeCubicInches =>
        onChange({ volumeCubicInches, volumeBasis: volumeCubicInches === null ? null : 'marked' })
      }
    />
  )
}

export function Depth({ box, onChange, measures }: OfBox & { measures: Measures }) {
  const say = useSay()
  return (
    <LengthField
      measures={measures}
      label={say`Depth`}
      value={box.depthMillimetres}
      least={5}
      most={200}
      onCommit={depthMillimetres => onChange({ depthMillimetres })}
    />
  )
}

export function NearWater({ box, onChange, region }: OfBox & { region: Region }) {
  const say = useSay()
  return (
    <SelectField
      label={say`How near water it stands`}
      value={box.location}
      options={[
        { value: 'not-said' as const, words: say`Not said` },
        ...region.locations.map(({ id, says }) => ({ value: id, words: say(says) })),
      ]}
      onCommit={location => onChange({ location })}
    />
  )
}
