import type { BoxView } from '@/core/job/box-view'
import { racewayGround } from '@/core/job/raceway'
import type { Row } from '@/core/model/entities'
import { looksLikeGround } from '@/core/model/regions'
import { Button } from '../../primitives/button'
import { FigureField } from '../../primitives/figure-field'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'

/** What a live point was read to, and what it read: to a ground of the box, to its metal, or to one that was brought in. */
export function ReferenceChoices({
  view,
  onRead,
}: {
  view: BoxView
  onRead: (fields: Partial<Row<'readings'>>) => void
}) {
  const say = useSay()

  const { nominalVolts } = view.region
  const ground = view.ends.find(
    ({ end, conductor }) => end.role === 'ground' || looksLikeGround(view.region, conductor),
  )
  const read = (fields: Partial<Row<'readings'>>) => onRead({ purpose: 'reference', ...fields })
  const targets = [
    ...(ground ? [{ name: ground.name, fields: { toEndId: ground.end.id } }] : []),
    ...(racewayGround(view) === 'none'
      ? []
      : [{ name: say`the metal of the box`, fields: { toSpot: 'box-metal' as const } }]),
  ]
  return (
    <>
      {targets.map(({ name, fields }, at) => (
        <Button
          key={name}
          look={at === 0 ? 'main' : 'plain'}
          onClick={() => read(fields)}
        >{say`Live point to ${name}: ${nominalVolts} V`}</Button>
      ))}
      <Button
        onClick={() => read({ reference: REFERENCES.broughtInGround })}
      >{say`Live point to a brought-in ground: ${nominalVolts} V`}</Button>
      {targets.map(({ name, fields }) => (
        <FigureField
          key={name}
          label={say`${name.charAt(0).toUpperCase()}${name.slice(1)}: another voltage (V)`}
          most={1000}
          onRead={value => read({ ...fields, value })}
        />
      ))}
    </>
  )
}
