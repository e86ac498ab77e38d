import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { HuntCandidate } from '@/core/panel'
import { HouseSketch, type RoomMark } from '../house/house-sketch'
import { useSay } from '../words/use-say'

/** The house: where the box is, and what goes dark with the breaker that is to be tried. */
export function HuntPicture({ view, next }: { view: BoxView; next: HuntCandidate | null }) {
  const say = useSay()

  const marks = useMemo(
    () =>
      new Map<string, RoomMark>([
        ...(next?.darkens ?? []).map(({ id }): [string, RoomMark] => [
          id,
          { look: 'dark', words: say`goes dark` },
        ]),
        [view.room.id, { look: 'here', words: say`this box` }],
      ]),
    [next, view.room.id, say],
  )
  return (
    <HouseSketch
      record={view.record}
      label={next ? say`The house with breaker ${next.circuit.breaker} off` : say`The house`}
      marks={marks}
      scrolls
    />
  )
}
