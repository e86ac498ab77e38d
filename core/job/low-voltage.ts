import { deviceNamed, type Trade } from '../model/trade'
import { isForPair } from '../model/make-up'
import { isControlRole } from '../model/roles'
import { isLowVoltage, type BoxView, type EndView } from './box-view'

/**
 * Ends of low-voltage cables that no mains comes near in their box: capped, loose, joined to their own kind, or on a
 * terminal that is for them. What is joined to anything else is not one of them, whatever its sheath.
 */
export const keptApart = (view: BoxView, trade: Trade): ReadonlySet<string> =>
  new Set(view.ends.filter(each => isKeptApart(view, trade, each)).map(({ end }) => end.id))

function isKeptApart(view: BoxView, trade: Trade, each: EndView): boolean {
  const { seat, deviceId, terminal, jointId } = each.end
  if (!isLowVoltage(each)) return false
  if (seat === 'terminal') return isOnPair(view, trade, deviceId, terminal)
  if (seat !== 'joint') return true
  return (
    view.ends.every(other => other.end.jointId !== jointId || isLowVoltage(other)) &&
    view.pigtails.every(
      pigtail => pigtail.jointId !== jointId || isOnPair(view, trade, pigtail.deviceId, pigtail.terminal),
    )
  )
}

function isOnPair(view: BoxView, trade: Trade, deviceId: string | null, terminal: string | null): boolean {
  const model = deviceNamed(trade, view.record.devices[deviceId ?? '']?.modelId ?? '')
  return model?.terminals.some(each => each.id === terminal && isForPair(each)) === true
}

/** Whether a conductor is of a control pair: by its sheath, or by what it is taken for. */
export const isOfPair = (each: EndView): boolean => isLowVoltage(each) || isControlRole(each.end.role)
