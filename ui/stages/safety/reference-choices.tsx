import type { BoxView } from '@/core/job/box-view'
import { racewayGround } from '@/core/job/raceway'
import type { Row } from '@/core/model/entities'
import { looksLikeGround } from '@/core/model/regions'
import { Button } from '../../primitives/button'
import { FigureField } from '../../primitives/figure-field'

/** What a live point was read to, and what it read: to a ground of the box, to its metal, or to one that was brought in. */
export function ReferenceChoices({
  view,
  onRead,
}: {
  view: BoxView
  onRead: (fields: Partial<Row<'readings'>>) => void
}) {
  const { nominalVolts, words } = view.region
  const ground = view.ends.find(
    ({ end, conductor }) => end.role === 'ground' || looksLikeGround(view.region, conductor),
  )
  const read = (fields: Partial<Row<'readings'>>) => onRead({ purpose: 'reference', ...fields })
  const targets = [
    ...(ground ? [{ name: ground.name, fields: { toEndId: ground.end.id } }] : []),
    ...(racewayGround(view) === 'none'
      ? []
      : [{ name: `the metal of the ${words.box}`, fields: { toSpot: 'box-metal' as const } }]),
  ]
  return (
    <>
      {targets.map(({ name, fields }, at) => (
        <Button key={name} look={at === 0 ? 'main' : 'plain'} onClick={() => read(fields)}>
          Live point to {name}: {nominalVolts} V
        </Button>
      ))}
      <Button onClick={() => read({ reference: `brought-in ${words.ground}` })}>
        Live point to a brought-in {words.ground}: {nominalVolts} V
      </Button>
      {targets.map(({ name, fields }) => (
        <FigureField
          key={name}
          label={`${name.charAt(0).toUpperCase()}${name.slice(1)}: another voltage (V)`}
          most={1000}
          onRead={value => read({ ...fields, value })}
        />
      ))}
    </>
  )
}
