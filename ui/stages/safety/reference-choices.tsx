import type { BoxView } from '@/core/job/box-view'
import { racewayGround } from '@/core/job/raceway'
import type { Row } from '@/core/model/entities'
import { looksLikeGround } from '@/core/model/regions'
import { Button } from '../../primitives/button'
import { FigureField } from '../../primitives/figure-field'
import { sayIn } from '@/core/words/say'
import { useSay } from '../../words/use-say'
import { REFERENCES } from '../../words/references'

type Fields = Partial<Row<'readings'>>

/** What a live point of this box is read to: a ground of it, or its metal. */
export function referencesHere(view: BoxView): readonly { readonly name: string; readonly fields: Fields }[] {
  const say = sayIn(view.region)
  const ground = view.ends.find(
    ({ end, conductor }) => end.role === 'ground' || looksLikeGround(view.region, conductor),
  )
  return [
    ...(ground ? [{ name: ground.name, fields: { toEndId: ground.end.id } }] : []),
    ...(racewayGround(view) === 'none'
      ? []
      : [{ name: say`the metal of the box`, fields: { toSpot: 'box-metal' as const } }]),
  ]
}

/** What a live point was read to, and what it read: to a ground of the box, to its metal, or to one that was brought in. */
export function ReferenceChoices({ view, onRead }: { view: BoxView; onRead: (fields: Fields) => void }) {
  const say = useSay()

  const { nominalVolts } = view.region
  const read = (fields: Fields) => onRead({ purpose: 'reference', ...fields })
  const targets = referencesHere(view)
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
