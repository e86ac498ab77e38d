'use client'

import type { Measures } from '@/core/model/measures'
import { inchesFrom, millimetresFrom, rounded } from '@/core/model/units'
import { NumberField } from './fields'

/** A length, typed in what is measured in there, fractions too; kept in mm. Not known where it is empty. */
export function LengthField({
  measures,
  label,
  value,
  least,
  most,
  onCommit,
}: {
  measures: Measures
  label: string
  /** In mm, as its range is. */
  value: number | null
  least: number
  most: number
  onCommit: (millimetres: number | null) => void
}) {
  if (measures === 'metric')
    return (
      <NumberField
        label={label}
        unit="mm"
        value={value}
        min={least}
        max={most}
        nullable
        onCommit={onCommit}
      />
    )
  return (
    <NumberField
      label={label}
      unit="in"
      value={value === null ? null : rounded(inchesFrom(value), 2)}
      // Rounded inwards: what is let in is within the range in mm too.
      min={Math.ceil(inchesFrom(least) * 100) / 100}
      max={Math.floor(inchesFrom(most) * 100) / 100}
      nullable
      onCommit={inches => onCommit(inches === null ? null : rounded(millimetresFrom(inches), 1))}
    />
  )
}
