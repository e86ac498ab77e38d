import type { BoxView } from '@/core/job/box-view'
import { BOX_MATERIALS } from '@/core/model/vocabulary'
import type { OpenOnLook } from '@/core/plan'
import { capital } from '@/core/words/capital'
import { goTo } from '../../job/link'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne } from '../../primitives/fields'
import { plain } from '../../words'
import { useSay } from '../../words/use-say'
import { part } from '../../primitives/part'

/** Where each is recorded, by the parts of the page. */
export const LOOK_PARTS = { cables: 'cables', controls: 'controls', circuit: 'circuit' } as const

const PART_OF: Readonly<Partial<Record<OpenOnLook['kind'], string>>> = {
  conductors: LOOK_PARTS.cables,
  control: LOOK_PARTS.controls,
}
/** What is answered where it is asked for. */
const Coming = () => <p className="min-h-28" />
const LampsNext = part(() => import('./look-answers').then(module => module.LampsNext), { Coming })
const BreakerNext = part(() => import('./look-answers').then(module => module.BreakerNext), { Coming })

/** The first thing that Look lacks: answered here where that can be, else the way to it. */
export function LookNext({
  view,
  open: { kind, says },
  onSelect,
}: {
  view: BoxView
  open: OpenOnLook
  onSelect: (endId: string) => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const change = (fields: Parameters<typeof edits.change<'boxes'>>[2]) =>
    edits.send('edit a box', [edits.change('boxes', view.box.id, fields)])
  const loose = view.ends.find(({ end }) => end.seat === 'loose')
  const part = PART_OF[kind]
  const unlit = view.places.find(({ loads }) => loads.length === 0)
  return (
    <section
      aria-label={say`Next`}
      data-next={
        kind === 'seats' ? `${kind} ${loose?.end.id}` : kind === 'lamps' ? `${kind} ${unlit?.place.id}` : kind
      }
      className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-xl border-2 border-plum bg-sheet p-3 sm:px-4"
    >
      {kind === 'material' ? (
        <PickOne
          label={say`What is the box made of?`}
          value={null}
          options={BOX_MATERIALS.filter(value => value !== 'not-known').map(value => ({
            value,
            words: say(plain(value)),
          }))}
          onCommit={material => change({ material })}
        />
      ) : kind === 'lamps' && unlit ? (
        <LampsNext key={unlit.place.id} view={view} place={unlit} />
      ) : kind === 'breaker' ? (
        <BreakerNext view={view} />
      ) : (
        <>
          <p className="min-w-40 flex-1 font-semibold">
            {kind === 'complete' ? say`Is everything recorded that can be seen?` : capital(says)}
          </p>
          {kind === 'complete' && (
            <Button
              look="main"
              onClick={() =>
                change({ recorded: true }) && goTo(`/jobs/${view.record.job.id}/boxes/${view.box.id}/test`)
              }
            >{say`Yes, on to Test`}</Button>
          )}
          {kind === 'seats' && loose && (
            <Button
              look="main"
              onClick={() => onSelect(loose.end.id)}
            >{say`Say where ${loose.name} sits`}</Button>
          )}
          {part !== undefined && (
            <Button
              look="main"
              onClick={() => document.getElementById(part)?.scrollIntoView({ block: 'start' })}
            >{say`Record it`}</Button>
          )}
        </>
      )}
    </section>
  )
}
