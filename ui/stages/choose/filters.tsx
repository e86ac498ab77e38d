import { FIELD_LOOK } from '../../primitives/field-look'
import { useMemo, useState } from 'react'
import { needsIn, VERDICTS, type Verdict } from '@/core/check'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { PickOne, SelectField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { VERDICT_WORDS } from '../../primitives/marks'
import { needsWords } from '../../needs/words'
import { WANT_WORDS } from '../../words'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

const NeedsForm = part(() => import('../../needs/needs-form').then(module => module.NeedsForm))

/** An isolator is asked for nothing that is wanted of its light. */
const worked = (places: readonly PlaceView[]) => places.filter(({ isolates }) => !isolates)

interface Shown {
  readonly verdict: Verdict
  readonly meetsWant: boolean
}

/** In which order candidates of one verdict stand. */
const ORDERS = ['margin', 'price', 'work'] as const
export type Order = (typeof ORDERS)[number]

const ORDER_WORDS: Readonly<Record<Order, string>> = {
  margin: 'Most margin first',
  price: 'Cheapest first',
  work: 'Least work first',
}

/** What of some judgements is shown: those that do what is wanted, and of one verdict. */
export function useFiltered<Each extends Shown>(
  judgements: readonly Each[],
  { view, places }: { view: BoxView; places: readonly PlaceView[] },
  {
    costOf,
    nameOf,
  }: {
    readonly costOf: (each: Each) => { readonly price: number; readonly minutes: number }
    readonly nameOf: (each: Each) => string
  },
) {
  const wants = worked(places).some(
    ({ group }) => group.want !== null || needsIn(view.record, group.id).length > 0,
  )
  const [verdict, setVerdict] = useState<Verdict | 'all'>('all')
  const [all, setAll] = useState(false)
  const [typed, setTyped] = useState('')
  const [order, setOrder] = useState<Order>('margin')
  // The same list as long as nothing else is wanted: what is reckoned of it is not reckoned anew at every pointing.
  const wanted = useMemo(
    () => judgements.filter(each => all || !wants || each.meetsWant),
    [judgements, all, wants],
  )
  const shown = useMemo(
    () =>
      inOrder(
        wanted.filter(each => (verdict === 'all' || each.verdict === verdict) && holds(nameOf(each), typed)),
        order,
        costOf,
      ),
    [wanted, verdict, typed, order, costOf, nameOf],
  )
  return {
    wanted,
    shown,
    /** By name: then each stands for itself. */
    isSearched: typed.trim() !== '',
    filters: { typed, setTyped, wants, verdict, setVerdict, all, setAll, order, setOrder },
  }
}

/** Whether a name holds every word. */
const holds = (name: string, words: string): boolean =>
  words
    .toLowerCase()
    .split(/\s+/)
    .every(word => name.toLowerCase().includes(word))

/** They come by verdict, and by margin; another order leaves the verdicts where they are. */
function inOrder<Each extends Shown>(
  all: readonly Each[],
  order: Order,
  costOf: (each: Each) => { readonly price: number; readonly minutes: number },
): readonly Each[] {
  if (order === 'margin') return all
  const key = (each: Each) => costOf(each)[order === 'price' ? 'price' : 'minutes']
  return VERDICTS.flatMap(verdict =>
    all.filter(each => each.verdict === verdict).sort((a, b) => key(a) - key(b)),
  )
}

/** The choices of what is shown, and everything that is wanted. */
export function Filters({
  view,
  places,
  every,
  wanted,
  filters: { typed, setTyped, wants, verdict, setVerdict, all, setAll, order, setOrder },
}: {
  view: BoxView
  /** One of each light. */
  places: readonly PlaceView[]
  /** What all of them are called. */
  every: string
  wanted: readonly Shown[]
  filters: ReturnType<typeof useFiltered>['filters']
}) {
  const say = useSay()

  const lights = worked(places)
  const words = lights
    .flatMap(({ group }) => [
      ...(group.want === null ? [] : [WANT_WORDS[group.want].toLowerCase()]),
      ...(needsIn(view.record, group.id).length > 0 ? [needsWords(needsIn(view.record, group.id))] : []),
    ])
    .join(', ')
  return (
    <>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        {wants && (
          <PickOne
            label={say`Show`}
            labelHidden
            value={all ? 'all' : 'wanted'}
            options={[
              { value: 'wanted', words: say`What was wanted: ${words}` },
              { value: 'all', words: every },
            ]}
            onCommit={value => setAll(value === 'all')}
          />
        )}
        {lights.map(({ group }) => (
          <Folded
            key={group.id}
            summary={
              <summary className="min-h-11 py-2 font-semibold">
                {lights.length > 1 ? say`What is wanted of ${group.name}` : say`What is wanted`}
              </summary>
            }
          >
            <NeedsForm record={view.record} groupId={group.id} boxId={view.box.id} />
          </Folded>
        ))}
        <input
          type="search"
          aria-label={say`Find by name`}
          placeholder={say`Find`}
          value={typed}
          onChange={event => setTyped(event.target.value)}
          className={`${FIELD_LOOK} w-28 max-w-60 flex-1`}
        />
      </div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2 [&>*]:min-w-0">
        <PickOne
          label={say`Verdict`}
          labelHidden
          inOneRow
          value={verdict}
          options={[
            { value: 'all' as const, words: say`All ${wanted.length}` },
            ...VERDICTS.map(value => ({
              value,
              words: `${say(VERDICT_WORDS[value])} ${wanted.filter(each => each.verdict === value).length}`,
            })),
          ]}
          onCommit={setVerdict}
        />
        <div className="min-w-40 flex-1">
          <SelectField
            label={say`Order`}
            labelHidden
            value={order}
            options={ORDERS.map(value => ({ value, words: say(ORDER_WORDS[value]) }))}
            onCommit={setOrder}
          />
        </div>
      </div>
    </>
  )
}
