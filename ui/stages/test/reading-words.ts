import type { BoxView } from '@/core/job/box-view'
import type { Reading, Switching } from '@/core/model/entities'
import { figure } from '@/core/model/units'
import { INSTRUMENT_UNITS } from '../../words'
import { sayIn } from '@/core/words/say'
import { referenceWords } from '../../words/references'

/** A reading in a line: from what to what, what it showed, in which state. */
export function readingWords(view: BoxView, reading: Reading): string {
  const say = sayIn(view.region)

  const name = (id: string | null) => view.ends.find(each => each.end.id === id)?.name
  const to =
    name(reading.toEndId) ??
    (reading.reference === null
      ? say((reading.toSpot ?? '').replaceAll('-', ' '))
      : referenceWords(say, reading.reference))
  const position = [
    reading.switchPosition === 'not-known' ? '' : say`, switch ${say(reading.switchPosition)}`,
    reading.lampsOutGroupId === null
      ? ''
      : say`, lamps of ${view.record.groups[reading.lampsOutGroupId]?.name} out`,
    reading.offDeviceId === null ? '' : say`, device off its wires`,
  ].join('')
  return say`${name(reading.fromEndId) ?? ''}${to ? say` to ${to}` : ''}: ${figure(reading.value, 2)} ${say(INSTRUMENT_UNITS[reading.instrument])}, breaker ${say(reading.breaker)}${position}`.trim()
}

/** A switching in a line: which breaker, and how it stood from then on. */
export function switchingWords(view: BoxView, { circuitId, to, foundSo }: Switching): string {
  const say = sayIn(view.region)

  const circuit = view.record.circuits[circuitId ?? '']
  const what = circuit ? say`Breaker ${circuit.breaker}` : say`Main switch`
  return `${what} ${foundSo ? say`found ` : ''}${say(to)}`
}
