import { useMemo, useState } from 'react'
import { breakersIn, darkenedBy } from '@/core/panel'
import type { JobRecord } from '@/core/model/record'
import type { Day } from '@/core/plan'
import { HouseSketch, type RoomMark } from '../house/house-sketch'
import { PickOne } from '../primitives/fields'
import { useSay } from '../words/use-say'
import { boxesOf } from './words'

const ALL = 'all'

/** The order of the boxes as numbers in their rooms; of one stretch also what is dark meanwhile. */
export function DayOnHouse({ day: { stretches }, record }: { day: Day; record: JobRecord }) {
  const say = useSay()

  const [shown, setShown] = useState(ALL)
  const stretch = stretches[Number(shown)]
  const marks = useMemo(() => {
    const order = boxesOf(stretches.flatMap(({ turns }) => turns))
    const worked = stretch ? boxesOf(stretch.turns) : order
    const dark = (stretch?.off ?? []).flatMap(id => {
      const circuit = record.circuits[id]
      return circuit ? darkenedBy(record, circuit) : []
    })
    const made = new Map<string, RoomMark>(dark.map(({ id }) => [id, { look: 'dark', words: say`dark` }]))
    for (const boxId of worked) {
      const roomId = record.boxes[boxId]?.roomId
      if (roomId === undefined) continue
      const before = made.get(roomId)
      const words = [before?.words, String(order.indexOf(boxId) + 1)].filter(Boolean).join(', ')
      made.set(roomId, { look: before?.look ?? 'plain', words })
    }
    return made
  }, [stretches, stretch, record, say])
  return (
    <div className="mb-3 flex flex-col gap-2">
      <PickOne
        label={say`The day on the house`}
        labelHidden
        inOneRow
        value={stretch ? shown : ALL}
        options={[
          { value: ALL, words: say`The whole day` },
          ...stretches.map((each, at) => ({
            value: String(at),
            words: each.off.length > 0 ? say`${at + 1}: ${breakersIn(record, each.off)} off` : String(at + 1),
          })),
        ]}
        onCommit={setShown}
      />
      <HouseSketch
        record={record}
        label={
          stretch
            ? say`What is dark and which boxes are worked at, by their number in the day`
            : say`The boxes by their number in the day`
        }
        marks={marks}
      />
    </div>
  )
}
