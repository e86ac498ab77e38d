import { boxView } from '@/core/job/box-view'
import type { JobRecord } from '@/core/model/record'
import type { Unlocks } from '@/core/whole'
import { ToStage } from '../stages/to-stage'
import { boxWords } from '../stages/test/question-words'
import { useSay } from '../words/use-say'

/** The first line of a house: what to find out, in which box, so that most lights are decided. */
export function UnlocksFirst({ record, unlocks }: { record: JobRecord; unlocks: Unlocks }) {
  const say = useSay()

  const { thing, lights, alone, open } = unlocks
  const names = lights.map(({ name }) => name).join(', ')
  const view = boxView(record, thing.boxId)
  if (!view) return null
  return (
    <section
      aria-label={say`What to find out first`}
      className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border-2 border-plum bg-sheet p-3 sm:px-4"
    >
      <div className="min-w-56 flex-1">
        <p className="font-bold">{say`In ${boxWords(view)}: ${thing.says}`}</p>
        <p className="text-sm">
          {say.count(open, '# light is not decided: ', '# lights are not decided: ')}
          {lights.length === alone
            ? say`it decides ${names}.`
            : say`${names} ${say.count(lights.length, 'waits', 'wait')} for it, and for more besides.`}
        </p>
      </div>
      <ToStage view={view} stage={thing.stage} />
    </section>
  )
}
