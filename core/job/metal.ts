import type { BoxView, EndView } from './box-view'

/** Joint or terminal that an end is one metal with in its box, as found; itself where it is on neither. */
export function metalOf(view: BoxView, { end }: EndView): string {
  if (end.jointId !== null) return end.jointId
  if (end.deviceId === null || end.terminal === null) return end.id
  const led = view.pigtails.find(each => each.deviceId === end.deviceId && each.terminal === end.terminal)
  return led?.jointId ?? `${end.deviceId} ${end.terminal}`
}
