import { useState } from 'react'
import type { Alike, Difference, Verdict } from '@/core/check'
import { figure } from '@/core/model/units'
import type { Region } from '@/core/model/regions'
import { PickOne } from '../../primitives/fields'
import { VERDICT_WORDS } from '../../primitives/marks'
import type { AlikeShown } from './candidate-card'
import { useSay } from '../../words/use-say'

/** In what those of a fold differ; `form` for what has no word of its own. */
const BY_WORDS: Readonly<Partial<Record<Difference, string>>> = {
  place: 'what stands where',
  ratings: 'what it carries',
  terminals: 'its terminals',
  enclosure: 'its enclosure',
  settings: 'its settings',
  finishes: 'its finishes',
  size: 'its size',
  family: 'what it goes with',
}

/** Which of several alike a row shows: what is chosen, else the first, until somebody picks another. */
export function useOneOf<Each>(
  { all }: Alike<Each>,
  idOf: (each: Each) => string,
  isChosen: (each: Each) => boolean,
) {
  const [picked, setPicked] = useState<string | null>(null)
  const shown = all.find(each => idOf(each) === picked) ?? all.find(isChosen) ?? all[0]
  return { shown, pick: setPicked }
}

/** The others that are alike but for one thing, that thing named; a press shows another in its place. */
export function useAlike<Each extends { readonly verdict: Verdict }>(
  { by, all }: Alike<Each>,
  {
    shown,
    region,
    idOf,
    wordsOf,
    priceOf,
    onPick,
  }: {
    shown: Each
    region: Region
    idOf: (each: Each) => string
    /** What tells it from the others. */
    wordsOf: (each: Each) => string
    priceOf: (each: Each) => number
    onPick: (id: string) => void
  },
): AlikeShown | null {
  const say = useSay()

  if (by === null) return null
  const words = say(BY_WORDS[by] ?? 'one thing of its sheet')
  return {
    count: all.length,
    by: words,
    choice: (
      <PickOne
        label={say`Alike but for ${words}`}
        value={idOf(shown)}
        options={all.map(each => ({
          value: idOf(each),
          words: `${wordsOf(each)}: ${say(VERDICT_WORDS[each.verdict])}, ${figure(priceOf(each), 2)} ${region.currency}`,
        }))}
        onCommit={onPick}
      />
    ),
  }
}

/** What is looked for by name stands in a row of its own. */
export const alone = <Each,>(each: Each): Alike<Each> => ({ by: null, all: [each] })

/** Rows that are shown before somebody asks for more. */
const SHOWN_FIRST = 24

/** The first of a list, and what is chosen wherever it stands; all of them once they are asked for. */
export function useFirstOf<Each>(
  folds: readonly Alike<Each>[],
  isSearched: boolean,
  isChosen: (each: Each) => boolean,
) {
  const [all, setAll] = useState(false)
  const rows =
    all || isSearched ? folds : folds.filter((fold, at) => at < SHOWN_FIRST || fold.all.some(isChosen))
  return { rows, hidden: folds.length - rows.length, showAll: () => setAll(true) }
}
