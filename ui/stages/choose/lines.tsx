import { curedTogether, type Cure, type Lacking, type Line } from '@/core/check'
import type { BoxView } from '@/core/job/box-view'
import { figure } from '@/core/model/units'
import { LOAD_RULES } from '@/core/model/vocabulary'
import { useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { VERDICT_WORDS } from '../../primitives/marks'
import { lackingWords } from '../../needs/words'
import { useSay } from '../../words/use-say'

/** The lines that say something: not the ones that simply hold, unless a margin stands in them. */
export const telling = (lines: readonly Line[]): readonly Line[] => {
  // Two rules may fall by one thing: it is said once.
  const against = lines.filter(
    (line, at) =>
      line.verdict !== 'fits' &&
      lines.findIndex(({ verdict, says }) => verdict === line.verdict && says === line.says) === at,
  )
  return against.length > 0 ? against : lines.filter(({ rule }) => LOAD_RULES.includes(rule))
}

/** What would settle it, and what would cure it. */
export function WaysOut({
  view,
  cures,
  settledBy,
  lines,
  onBypass,
}: {
  view: BoxView
  cures: readonly Cure[]
  settledBy: readonly string[]
  lines: readonly Line[]
  onBypass: () => void
}) {
  const say = useSay()

  const together = curedTogether(lines)
  const isCured = lines.every(({ verdict }) => verdict === 'fits' || verdict === 'fits-if')
  const sum = (pick: (cure: Cure) => number) => together.reduce((so, cure) => so + pick(cure), 0)
  return (
    <ul className="mt-2 flex flex-col gap-1 text-sm">
      {isCured && together.length > 1 && (
        <li>
          <strong>{say`All of it here, at the least:`}</strong>
          {say` ${figure(
            sum(({ price }) => price),
            2,
          )} ${view.region.currency}, ${figure(
            sum(({ minutes }) => minutes),
            0,
          )} min`}
        </li>
      )}
      {settledBy.map(says => (
        <li key={says}>
          <strong>{say`Settle it:`}</strong> {says}
        </li>
      ))}
      {cures.map(cure => (
        <li key={cure.id}>
          <strong>{cure.here ? say`Here:` : say`Or:`}</strong> {cure.says}
          {cure.price + cure.minutes > 0 && (
            <span className="text-soft">{say` ${figure(cure.price, 2)} ${view.region.currency}, ${figure(cure.minutes, 0)} min`}</span>
          )}
          {cure.id === 'bypass' && (
            <Button
              className="mt-1 block"
              onClick={onBypass}
            >{say`Plan it: Wire and the proof have it`}</Button>
          )}
        </li>
      ))}
    </ul>
  )
}

/** A condition in words, and where it has figures a bar with the limit marked. */
export function LineRow({ line, plainList = false }: { line: Line; plainList?: boolean }) {
  const say = useSay()

  const Row = plainList ? 'div' : 'li'
  const measured = line.value !== null && line.limit !== null && line.limit > 0 && line.spare !== null
  return (
    <Row data-rule={line.rule} data-line={line.verdict}>
      <span>
        {line.verdict !== 'fits' && <strong>{say(VERDICT_WORDS[line.verdict])}: </strong>}
        {line.says}
      </span>
      {measured && <Bar line={line} />}
    </Row>
  )
}

/** The tightest of what is measured: how much of its limit is taken, the limit marked. */
export function Margin({ lines }: { lines: readonly Line[] }) {
  const [tightest] = lines
    .filter(({ spare, value, limit }) => spare !== null && value !== null && (limit ?? 0) > 0)
    .sort((a, b) => a.spare! - b.spare!)
  return tightest ? <Bar line={tightest} /> : null
}

/** What is taken of a limit, as a bar with the limit marked. */
function Bar({ line: { value, limit } }: { line: Line }) {
  const share = value! / limit!
  const scale = Math.max(1, share) * 1.02
  return (
    <span aria-hidden="true" className="relative mt-1 block h-2.5 rounded border border-ink/60 bg-sheet">
      <span
        className="absolute inset-y-0 left-0 rounded-l bg-ink/75"
        style={{ width: `${(share / scale) * 100}%` }}
      />
      <span className="absolute -inset-y-1 w-[3px] bg-plum" style={{ left: `${(1 / scale) * 100}%` }} />
    </span>
  )
}

/** Every line with the fact it rests on. */
export function Facts({ lines }: { lines: readonly Line[] }) {
  const say = useSay()

  const trade = useTrade()
  return (
    <ul
      aria-label={say`All of it, and what it rests on`}
      className="mt-2 flex flex-col gap-3 border-t border-rule pt-2 pb-1"
    >
      {lines.map(line => (
        <li key={line.rule + line.says}>
          <LineRow line={line} plainList />
          <p className="text-sm text-soft">
            {say(trade.facts[line.factId]?.says ?? '')}{' '}
            <em>({say(trade.facts[line.factId]?.source ?? '')})</em>
          </p>
        </li>
      ))}
    </ul>
  )
}

/** What is wanted and it would not do. */
export function Lacks({ unmet }: { unmet: readonly Lacking[] }) {
  const say = useSay()

  if (unmet.length === 0) return null
  return (
    <p className="mt-2">
      <strong>{say`Does not do what is wanted:`}</strong>{' '}
      {unmet.map(each => lackingWords(say, each)).join(', ')}
    </p>
  )
}
