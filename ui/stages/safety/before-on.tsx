import { rowsOf, type JobRecord } from '@/core/model/record'
import { SayAloud } from '../../primitives/say-aloud'
import { switchName } from '../../words/switch-name'
import { apartBehind, standOf, type Stand } from '@/core/safety'
import { useSay } from '../../words/use-say'

const STAND_WORDS: Readonly<Record<Exclude<Stand, 'closed'>, string>> = {
  safe: 'capped and covered',
  attended: 'somebody stands at it',
  bare: 'bare',
}

/** Who is clear of it, and how every box that is apart stands, before a breaker goes on. */
export function BeforeOn({
  record,
  circuitIds,
}: {
  record: JobRecord
  circuitIds: readonly (string | null)[]
}) {
  const say = useSay()

  const open = new Map(
    circuitIds.flatMap(id => apartBehind(record, id)).map(each => [each.box.id, each] as const),
  )
  const crew = rowsOf(record, 'crew').map(({ name }) => name)
  if (open.size === 0 && crew.length === 0) return null
  const names = circuitIds.map(id => switchName(record, id))
  const said = [
    say`Next on: ${names.join(', ')}.`,
    crew.length > 0 ? say`Clear of it: ${crew.join(', ')}. Each says so now.` : say`Everyone clear of it?`,
    ...[...open.values()].map(
      each =>
        `${each.room.name}, ${each.box.name}: ${say(STAND_WORDS[standOf(each) as keyof typeof STAND_WORDS])}.`,
    ),
  ].join(' ')
  return (
    <>
      <dl className="grid w-full grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm">
        {crew.length > 0 && (
          <>
            <dt>{say`Clear of it, each said so`}</dt>
            <dd className="font-semibold">{crew.join(', ')}</dd>
          </>
        )}
        {[...open.values()].map(each => {
          const stand = standOf(each) as keyof typeof STAND_WORDS
          return (
            <div key={each.box.id} className="contents">
              <dt>
                {each.room.name}, {each.box.name}
              </dt>
              <dd className={`font-semibold ${stand === 'bare' ? 'hazard bg-paper px-2' : ''}`}>
                {say(STAND_WORDS[stand])}
              </dd>
            </div>
          )
        })}
      </dl>
      <SayAloud says={said} />
    </>
  )
}
