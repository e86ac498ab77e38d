import { useMemo, useState } from 'react'
import type { JobRecord } from '@/core/model/record'
import { deviceNamed } from '@/core/model/trade'
import { sharesOf, type LightChoices, type Proposal, type ProposalKind, type Share } from '@/core/whole'
import { useTrade } from '../job/provider'
import { BarChart } from '../primitives/bar-chart'
import { PickOne } from '../primitives/fields'
import { useSay } from '../words/use-say'
import { PROPOSAL_WORDS } from './words'

const VIEWS = ['price-by-room', 'minutes-by-room', 'price-by-device'] as const
type View = (typeof VIEWS)[number]

const VIEW_WORDS: Readonly<Record<View, string>> = {
  'price-by-room': 'Money by room',
  'minutes-by-room': 'Minutes by room',
  'price-by-device': 'Money by what is bought',
}

/** Beyond so many bars the rest stands together. */
const MOST_ROWS = 12

/** Where the money and the time of each proposal go: what no total tells. */
export function WhereItGoes({
  record,
  lights,
  proposals,
  currency,
}: {
  record: JobRecord
  lights: readonly LightChoices[]
  proposals: readonly (readonly [ProposalKind, Proposal])[]
  currency: string
}) {
  const say = useSay()

  const trade = useTrade()
  const [view, setView] = useState<View>('price-by-room')
  const rows = useMemo(() => {
    const wordsOf = (key: string) =>
      view === 'price-by-device'
        ? key === CURES
          ? say`Boxes, covers, lamps and the like`
          : (deviceNamed(trade, key)?.name ?? key)
        : (record.rooms[key]?.name ?? key)
    const shares = proposals.map(([, proposal]) =>
      sharesOf(lights, proposal, ({ boxId, modelId }) =>
        view === 'price-by-device' ? (modelId ?? CURES) : record.boxes[boxId]!.roomId,
      ),
    )
    const of = (share: Share | undefined) =>
      share ? (view === 'minutes-by-room' ? share.minutes : share.price) : 0
    const keys = [...new Set(shares.flat().map(({ key }) => key))]
    const figures = keys
      .map(key => ({
        words: wordsOf(key),
        figures: shares.map(all => of(all.find(each => each.key === key))),
      }))
      .filter(row => row.figures.some(value => value > 0))
      .sort((a, b) => Math.max(...b.figures) - Math.max(...a.figures))
    const rest = figures.slice(MOST_ROWS)
    return rest.length === 0
      ? figures
      : [
          ...figures.slice(0, MOST_ROWS),
          {
            words: say.count(rest.length, '# more', '# more together'),
            figures: proposals.map((_, at) => rest.reduce((sum, row) => sum + row.figures[at]!, 0)),
          },
        ]
  }, [view, record, lights, proposals, trade, say])
  return (
    <div className="min-w-0 rounded-xl bg-sheet p-3">
      <PickOne
        label={say`Where it goes`}
        value={view}
        options={VIEWS.map(value => ({ value, words: say(VIEW_WORDS[value]) }))}
        onCommit={setView}
      />
      <BarChart
        label={say`${say(VIEW_WORDS[view])}, for each proposal: ${rows
          .map(({ words, figures }) => `${words} ${figures.join(', ')}`)
          .join('; ')}`}
        kinds={proposals.map(([kind]) => say(PROPOSAL_WORDS[kind]))}
        rows={rows}
        unit={view === 'minutes-by-room' ? 'min' : currency}
      />
    </div>
  )
}

const CURES = 'cures'
