import { BLANK } from '@/core/model/blank-rows'
import { newReading, newTick } from '../../job/new-reading'
import type { BoxView } from '@/core/job/box-view'
import { madeBy, type Step } from '@/core/plan'
import { useTrade } from '../../job/provider'
import { newId } from '../../job/new-id'
import { toExchange } from '@/core/job/exchange'
import { exchanged } from '@/core/recording'
import { onAgain, ticksThatCount } from '@/core/safety'
import { useLocks } from '../safety/use-locks'

/** Ticking the steps of a box, and taking a tick back; the power step records the switching too. */
export function useTicks(view: BoxView) {
  const { edits, on } = useLocks(view.box.id)
  const trade = useTrade()
  const rowOf = (step: Step) => ticksThatCount(view).find(each => each.stepKey === step.key) ?? null
  const doneBy = (step: Step) => {
    const ticked = edits.add('steps', newTick(view.box.id, step.key))
    const { name } = step
    const pair =
      name.kind === 'exchange' ? toExchange(view).find(({ back }) => back.end.id === name.endId) : undefined
    const made = madeBy(view, name, trade).filter(({ rowId }) => rowId === null)
    return [
      ticked,
      ...made.map(({ placeId, setting, value }) =>
        edits.add('settings', { id: newId(), placeId, settingId: setting.id, value, ...BLANK.settings }),
      ),
      ...(step.kind === 'power' ? on(onAgain(view)) : []),
      ...(pair ? exchanged(edits, view.record, [pair.back.end.id, pair.feed.end.id]) : []),
    ]
  }
  const tick = (step: Step) => {
    const row = rowOf(step)
    if (row) {
      const made = madeBy(view, step.name, trade).flatMap(({ rowId }) => rowId ?? [])
      return edits.send('untick a step', [
        edits.remove('steps', row.id),
        ...made.map(id => edits.remove('settings', id)),
      ])
    }
    return edits.send('tick a step', doneBy(step))
  }
  /** Several that one look confirms. */
  const tickAll = (steps: readonly Step[]) => edits.send('tick a step', steps.flatMap(doneBy))
  const clampIdle = ({ name }: Step, value: number, resolutionAmps: number) => {
    if (name.kind !== 'clamp') return
    const reading = newReading(view.box.id, {
      purpose: 'clamp',
      instrument: 'clamp',
      fromEndId: name.endId,
      value,
      resolutionAmps,
      breaker: 'off',
    })
    edits.send('take a reading', [edits.add('readings', reading)])
  }
  const noteOn = (step: Step, note: string) => {
    const row = rowOf(step)
    if (row) edits.send('tick a step', [edits.change('steps', row.id, { note })])
  }
  return { tick, tickAll, clampIdle, rowOf, noteOn, view }
}
