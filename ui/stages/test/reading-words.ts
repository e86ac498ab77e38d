import type { BoxView } from '@/core/job/box-view'
import type { Reading, Switching } from '@/core/model/entities'
import { figure } from '@/core/model/units'
import { INSTRUMENT_UNITS, plain } from '../../words'

/** A reading in a line: from what to what, what it showed, in which state. */
export function readingWords(view: BoxView, reading: Reading): string {
  const name = (id: string | null) => view.ends.find(each => each.end.id === id)?.name
  const to =
    name(reading.toEndId) ?? reading.reference ?? (reading.toSpot ? reading.toSpot.replaceAll('-', ' ') : '')
  const position = [
    reading.switchPosition === 'not-known' ? '' : `, switch ${reading.switchPosition}`,
    reading.lampsOutGroupId === null
      ? ''
      : `, lamps of ${view.record.groups[reading.lampsOutGroupId]?.name} out`,
    reading.offDeviceId === null ? '' : ', device off its wires',
  ].join('')
  return `${name(reading.fromEndId) ?? ''}${to ? ` to ${to}` : ''}: ${figure(reading.value, 2)} ${INSTRUMENT_UNITS[reading.instrument]}, ${view.region.words.breaker} ${reading.breaker}${position}`.trim()
}

/** A switching in a line: which breaker, and how it stood from then on. */
export function switchingWords(view: BoxView, { circuitId, to, foundSo }: Switching): string {
  const circuit = view.record.circuits[circuitId ?? '']
  const what = circuit ? `${plain(view.region.words.breaker)} ${circuit.breaker}` : 'Main switch'
  return `${what} ${foundSo ? 'found ' : ''}${to}`
}
