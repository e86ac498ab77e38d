import type { ReactNode } from 'react'
import { Button } from './button'
import type { Option } from './fields'

/** A few things that can be done, as big buttons in a row: one press does it. */
export function PressOne<Value extends string>({
  label,
  options,
  onPress,
}: {
  label: string
  options: readonly (Option<Value> & { readonly mark?: ReactNode })[]
  onPress: (value: Value) => void
}) {
  return (
    <fieldset className="min-w-0">
      <legend className="mb-1 text-sm font-semibold">{label}</legend>
      <div className="flex flex-wrap gap-2">
        {options.map(({ value, words, mark }) => (
          <Button key={value} onClick={() => onPress(value)}>
            {mark}
            {words}
          </Button>
        ))}
      </div>
    </fieldset>
  )
}
