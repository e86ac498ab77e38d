import { fault, type Fault } from '../model/result'
import { deviceNamed, type Trade } from '../model/trade'
import { sayIn } from '../words/say'
import type { BoxView } from './box-view'

/**
 * What is said to sit on a terminal that its device does not have: the catalogue was changed, or the device was taken for
 * another kind. One fault for each conductor and pigtail, with what is to be said.
 */
export function noSuchTerminals(view: BoxView, trade: Trade): Fault[] {
  const say = sayIn(view.region)
  const lacking = (deviceId: string | null, terminal: string | null): string | null => {
    const found = view.places.find(each => each.found !== null && each.found.id === deviceId)?.found
    const model = deviceNamed(trade, found?.modelId ?? '')
    return model && !model.terminals.some(({ id }) => id === terminal) ? model.name : null
  }
  return [
    ...view.ends.flatMap(({ end, name }) => {
      const of = end.seat === 'terminal' ? lacking(end.deviceId, end.terminal) : null
      return of === null
        ? []
        : [
            fault(
              `/ends/${end.id}/terminal`,
              'no-such-terminal',
              say`${of} has no such terminal: say where ${name} sits`,
            ),
          ]
    }),
    ...view.pigtails.flatMap(({ id, deviceId, terminal }) => {
      const of = lacking(deviceId, terminal)
      return of === null
        ? []
        : [
            fault(
              `/pigtails/${id}/terminal`,
              'no-such-terminal',
              say`${of} has no such terminal: say where its pigtail goes`,
            ),
          ]
    }),
  ]
}
