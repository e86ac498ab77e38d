import type { Load } from '@/core/model/entities'
import { PHASES, YES_NO_UNKNOWN } from '@/core/model/vocabulary'
import { NumberField, PickOne, SelectField } from '../primitives/fields'
import { PHASE_WORDS, plain } from '../words'
import { useSay } from '../words/use-say'

/** One fact of lamps, wherever it is asked for. */
interface OfLoad {
  readonly load: Load
  readonly onChange: (fields: Partial<Omit<Load, 'id' | 'extra'>>) => void
}

export function Watts({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <NumberField
      label={say`Watts each`}
      value={load.wattsEach}
      min={0}
      max={20000}
      nullable
      onCommit={wattsEach => onChange({ wattsEach })}
    />
  )
}

export function Amperes({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <NumberField
      label={say`Amperes each`}
      value={load.amperesEach}
      min={0.001}
      max={100}
      nullable
      onCommit={amperesEach => onChange({ amperesEach })}
    />
  )
}

export function VoltAmperes({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <NumberField
      label={say`Volt-amperes each`}
      value={load.voltAmperesEach}
      min={0.1}
      max={20000}
      nullable
      onCommit={voltAmperesEach => onChange({ voltAmperesEach })}
    />
  )
}

export function Inrush({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <NumberField
      label={say`Inrush each (A)`}
      value={load.inrushAmperesEach}
      min={0.1}
      max={1000}
      nullable
      onCommit={inrushAmperesEach => onChange({ inrushAmperesEach })}
    />
  )
}

export function Horsepower({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <NumberField
      label={say`Horsepower`}
      value={load.horsepower}
      min={0.01}
      max={5}
      nullable
      onCommit={horsepower => onChange({ horsepower })}
    />
  )
}

export function Dimmable({ load, onChange, asked = false }: OfLoad & { asked?: boolean }) {
  const say = useSay()
  return (
    <PickOne
      label={say`Dimmable, by the print on the lamp`}
      value={load.dimmable}
      options={YES_NO_UNKNOWN.filter(value => !asked || value !== 'not-known').map(value => ({
        value,
        words: say(plain(value)),
      }))}
      onCommit={dimmable => onChange({ dimmable })}
    />
  )
}

export function DimmedBy({ load, onChange }: OfLoad) {
  const say = useSay()
  return (
    <SelectField
      label={say`Dimmed by`}
      value={load.phase}
      options={PHASES.map(value => ({ value, words: say(PHASE_WORDS[value]) }))}
      onCommit={phase => onChange({ phase })}
    />
  )
}
