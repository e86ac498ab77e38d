import type { ReactNode } from 'react'
import type { Lacking, Line, Verdict } from '@/core/check'
import { figure } from '@/core/model/units'
import { Button } from '../../primitives/button'
import { VERDICT_WORDS, VerdictMark } from '../../primitives/marks'
import { lackingWords } from '../../needs/words'
import { plain } from '../../words'
import { LineRow } from './lines'
import { useSay } from '../../words/use-say'

/** One of two that are held beside each other. */
export interface Side {
  readonly id: string
  readonly name: string
  readonly verdict: Verdict
  readonly price: number
  readonly minutes: number
  readonly lines: readonly Line[]
  readonly unmet: readonly Lacking[]
}

/** Two candidates condition by condition. */
export function SideBySide({
  sides,
  currency,
  onClose,
}: {
  sides: readonly Side[]
  currency: string
  onClose: () => void
}) {
  const say = useSay()

  const rules = [...new Set(sides.flatMap(({ lines }) => lines.map(({ rule }) => rule)))]
  const row = (head: string, cell: (side: Side) => ReactNode) => (
    <tr key={head} className="border-t border-rule align-top">
      <th scope="row" className="p-2 text-left text-sm font-normal text-soft">
        {head}
      </th>
      {sides.map(side => (
        <td key={side.id} className="p-2">
          {cell(side)}
        </td>
      ))}
    </tr>
  )
  return (
    <div className="rounded-lg border-2 border-plum p-2">
      <div className="flex flex-wrap items-center justify-between gap-2 px-2">
        <h3 className="font-bold">{say`Side by side`}</h3>
        <Button look="quiet" onClick={onClose}>{say`Close`}</Button>
      </div>
      {sides.length < 2 ? (
        <p className="p-2">{say`Choose another one to stand beside it.`}</p>
      ) : (
        <div className="overflow-x-auto">
          <table className="w-full min-w-[32rem] border-collapse">
            <thead>
              <tr className="align-bottom">
                <td />
                {sides.map(({ id, name }) => (
                  <th key={id} scope="col" className="w-[42%] p-2 text-left">
                    {name}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {row(say`Verdict`, ({ verdict }) => (
                <span className="flex items-center gap-2">
                  <VerdictMark verdict={verdict} />
                  <strong>{say(VERDICT_WORDS[verdict])}</strong>
                </span>
              ))}
              {row(say`Price`, ({ price }) => `${figure(price, 2)} ${currency}`)}
              {row(say`Minutes`, ({ minutes }) => figure(minutes, 0))}
              {sides.some(({ unmet }) => unmet.length > 0) &&
                row(say`Lacks`, ({ unmet }) => unmet.map(each => lackingWords(say, each)).join(', ') || '–')}
              {rules.map(rule =>
                row(say(plain(rule)), ({ lines }) => {
                  const own = lines.filter(line => line.rule === rule)
                  return own.length === 0 ? (
                    '–'
                  ) : (
                    <ul className="flex flex-col gap-1">
                      {own.map(line => (
                        <LineRow key={line.says} line={line} />
                      ))}
                    </ul>
                  )
                }),
              )}
            </tbody>
          </table>
        </div>
      )}
    </div>
  )
}
