import { floorsOf, type Floor } from '@/core/job/floors'
import type { JobRecord } from '@/core/model/record'
import { cellOf, columnsOf, FLOOR } from './floor-grid'

/** What is said of a room in a picture of the house; a room that is dark is drawn dark. */
export interface RoomMark {
  readonly look: 'here' | 'dark' | 'plain'
  readonly words: string
}

const LOOKS: Readonly<Record<RoomMark['look'] | 'none', string>> = {
  here: 'border-[3px] border-plum bg-sheet',
  dark: 'border-2 border-ink bg-ink text-paper',
  plain: 'border-2 border-ink bg-sheet',
  none: 'border border-rule text-soft',
}

/** The floors of the house as they lie, to be looked at; on a phone those on which something is said of a room. */
export function HouseSketch({
  record,
  label,
  marks,
  scrolls = false,
}: {
  record: JobRecord
  label: string
  /** By the id of the room. */
  marks: ReadonlyMap<string, RoomMark>
  /** It stays in sight on a phone, and is moved in itself where it is too high for that. */
  scrolls?: boolean
}) {
  const isMarked = ({ rooms }: Floor) => rooms.some(({ room }) => marks.has(room.id))
  return (
    <section
      aria-label={label}
      tabIndex={scrolls ? 0 : undefined}
      className={`house-sketch flex flex-wrap gap-x-5 gap-y-1.5 wide:gap-y-4 ${scrolls ? 'overflow-y-auto max-wide:max-h-[38svh]' : ''}`}
    >
      {floorsOf(record).map(floor => (
        <div
          key={floor.name}
          style={columnsOf(floor.columns)}
          className={`min-w-0 grow-(--columns) basis-[calc(var(--columns)*5.25rem)] ${isMarked(floor) ? '' : 'max-wide:hidden'}`}
        >
          <p className="text-xs font-semibold text-soft">{floor.name}</p>
          <ol className={`gap-1 ${FLOOR}`}>
            {floor.rooms.map(placed => {
              const mark = marks.get(placed.room.id)
              return (
                <li
                  key={placed.room.id}
                  style={cellOf(placed)}
                  className={`min-w-0 rounded px-1 text-xs leading-tight break-words hyphens-auto wide:min-h-14 wide:p-1.5 wide:text-sm ${LOOKS[mark?.look ?? 'none']}`}
                >
                  {placed.room.name}
                  {mark?.words && <strong className="block">{mark.words}</strong>}
                </li>
              )
            })}
          </ol>
        </div>
      ))}
    </section>
  )
}
