import type { BoxView } from '@/core/job/box-view'
import { foundJointOf, isOneConductor, type RoutedBox } from '@/core/route'
import { Chip } from '../../primitives/chip'
import { useSay } from '../../words/use-say'
import { INSULATION_WORDS } from '@/core/words/of-vocabulary'

/** The same plan as a table: terminals, joints, caps, marks. */
export function Landing({ view, routed }: { view: BoxView; routed: RoutedBox }) {
  const say = useSay()

  const name = (endId: string) => view.ends.find(each => each.end.id === endId)
  const onTerminal = (placeId: string, terminalId: string) => [
    ...Object.entries(routed.seats).flatMap(([endId, seat]) =>
      seat.kind === 'terminal' && seat.placeId === placeId && seat.terminalId === terminalId
        ? [name(endId)?.name ?? endId]
        : [],
    ),
    ...routed.pigtails
      .filter(each => each.to !== 'box' && each.to.placeId === placeId && each.to.terminalId === terminalId)
      .map(
        each =>
          say`${say(INSULATION_WORDS[each.insulation])} pigtail from the joint of ${routed.nets[each.netId]}`,
      ),
    ...routed.joints
      .filter(joint => joint.leads.some(lead => lead.placeId === placeId && lead.terminalId === terminalId))
      .map(joint => say`into the joint of ${routed.nets[joint.netId]}`),
    ...(routed.cappedLeads.some(lead => lead.placeId === placeId && lead.terminalId === terminalId)
      ? [say`capped on its own`]
      : []),
  ]
  const caps = view.ends.filter(each => routed.seats[each.end.id]?.kind === 'cap')
  return (
    <div className="flex flex-col gap-4">
      {routed.devices.map(device => (
        <table key={device.placeId} className="w-full text-left">
          <caption className="text-left font-semibold">
            {device.model.name}
            {device.isNew ? '' : say` (stays)`}
          </caption>
          <tbody>
            {device.model.terminals.map(terminal => (
              <tr key={terminal.id} className="border-t border-rule align-top">
                <th scope="row" className="w-2/5 py-1 pr-3 font-normal">
                  {terminal.word}
                </th>
                <td className="py-1 font-semibold">
                  {onTerminal(device.placeId, terminal.id).join(', ') || say`stays empty`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
      <table className="w-full text-left">
        <caption className="text-left font-semibold">{say`Joints`}</caption>
        <tbody>
          {routed.joints.map(joint => (
            <tr key={joint.id} className="border-t border-rule align-top">
              <th scope="row" className="w-2/5 py-1 pr-3 font-normal">
                {routed.nets[joint.netId]}
              </th>
              <td className="py-1">
                <span className="flex flex-wrap items-center gap-x-3 gap-y-1">
                  {joint.endIds.map(endId => (
                    <span key={endId} className="flex items-center gap-1 font-semibold">
                      <Chip insulation={name(endId)?.conductor.insulation ?? 'grey'} />
                      {name(endId)?.name}
                    </span>
                  ))}
                </span>
                <span className="text-sm text-soft">
                  {foundJointOf(view, joint, routed.pigtails)
                    ? say`stays as it is`
                    : isOneConductor(joint)
                      ? say`one conductor, from the metal of the box`
                      : joint.connectors.map(each => each.words).join(say` linked to `)}
                </span>
              </td>
            </tr>
          ))}
          {caps.map(each => (
            <tr key={each.end.id} className="border-t border-rule">
              <th scope="row" className="py-1 pr-3 font-normal">{say`Capped`}</th>
              <td className="py-1 font-semibold">{each.name}</td>
            </tr>
          ))}
          {routed.remarks.map(remark => (
            <tr key={remark.endId} className="border-t border-rule">
              <th
                scope="row"
                className="py-1 pr-3 font-normal"
              >{say`Marked ${say(INSULATION_WORDS[remark.as])}`}</th>
              <td className="py-1 font-semibold">
                {name(remark.endId)?.name}
                {say`, at both ends`}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}
