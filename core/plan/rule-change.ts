import { check, type Verdict } from '../check'
import { boxView, type BoxView, type PlaceView } from '../job/box-view'
import { rowsOf, rowsWith, type JobRecord } from '../model/record'
import { deviceNamed, type Trade } from '../model/trade'
import { withRule } from '../route'
import { progressOf } from './progress'
import { isForWiring } from './settled'
import { planBox } from './steps'
import { usualValue } from './usual-setting'

/** What another answer to a house rule would change in the open plan of one box. */
export interface RuleChange {
  readonly boxId: string
  /** Steps that would come, and that would go, as they are said. */
  readonly added: readonly string[]
  readonly gone: readonly string[]
  /** Minutes more, or less. */
  readonly minutes: number
  /** Whether it could be wired, before and after. */
  readonly wirable: readonly [boolean, boolean]
  /** Devices that are chosen there and would be judged otherwise. */
  readonly verdicts: readonly { readonly name: string; readonly before: Verdict; readonly after: Verdict }[]
  /** Settings not made yet that would usually be made otherwise. */
  readonly settings: readonly { readonly name: string; readonly before: string; readonly after: string }[]
  /** Devices that are chosen there and would no longer do what is wanted, or would then. */
  readonly wants: readonly { readonly name: string; readonly does: 'no-longer' | 'then' }[]
}

/** Every box with an open plan that another answer to a house rule would change; those it leaves alone are left out. */
export function ruleChanges(record: JobRecord, ruleId: string, value: string, trade: Trade): RuleChange[] {
  const changed = withRule(record, ruleId, value)
  return rowsOf(record, 'boxes').flatMap(({ id }) => {
    const before = boxView(record, id)
    const after = boxView(changed, id)
    if (!before || !after || !isOpen(before, trade)) return []
    const change = between(before, after, trade)
    const isSame =
      change.added.length + change.gone.length + change.verdicts.length === 0 &&
      change.settings.length + change.wants.length === 0 &&
      Math.abs(change.minutes) < 1e-9 &&
      change.wirable[0] === change.wirable[1]
    return isSame ? [] : [change]
  })
}

const isOpen = (view: BoxView, trade: Trade): boolean =>
  isForWiring(view) &&
  !progressOf(view, trade).stages.some(({ stage, state }) => stage === 'wire' && state === 'done')

function between(before: BoxView, after: BoxView, trade: Trade): RuleChange {
  const [was, will] = [planBox(before, trade), planBox(after, trade)]
  const says = (steps: typeof was.steps) =>
    steps.filter(({ done }) => !done).map(step => `${step.says} ${step.why}`)
  const [old, fresh] = [says(was.steps), says(will.steps)]
  const words = (steps: typeof was.steps, other: readonly string[]) =>
    steps.filter(step => !step.done && !other.includes(`${step.says} ${step.why}`)).map(step => step.says)
  const judged = before.places.flatMap((place, at) => {
    const device = deviceNamed(trade, place.choice?.modelId ?? '')
    const later = after.places[at]
    if (!device || !later) return []
    const [first, second] = [
      check({ view: before, place, device, trade }),
      check({ view: after, place: later, device, trade }),
    ]
    return [[device.name, first, second] as const]
  })
  const minutes = (steps: typeof was.steps) =>
    steps.filter(({ done }) => !done).reduce((sum, step) => sum + step.minutes, 0)
  return {
    boxId: before.box.id,
    added: words(will.steps, old),
    gone: words(was.steps, fresh),
    minutes: minutes(will.steps) - minutes(was.steps),
    wirable: [was.routed.ok, will.routed.ok],
    verdicts: judged.flatMap(([name, first, second]) =>
      first.verdict === second.verdict ? [] : [{ name, before: first.verdict, after: second.verdict }],
    ),
    settings: before.places.flatMap(place => settingsOf(before, after, place, trade)),
    wants: judged.flatMap(([name, first, second]) =>
      first.meetsWant === second.meetsWant
        ? []
        : [{ name, does: second.meetsWant ? ('then' as const) : ('no-longer' as const) }],
    ),
  }
}

function settingsOf(before: BoxView, after: BoxView, place: PlaceView, trade: Trade): RuleChange['settings'] {
  const device = deviceNamed(trade, place.choice?.modelId ?? '')
  const made = rowsWith(before.record, 'settings', 'placeId', place.place.id)
  return (device?.settings ?? []).flatMap(setting => {
    if (made.some(({ settingId }) => settingId === setting.id)) return []
    const [was, will] = [before, after].map(view => usualValue(view, place, setting, trade))
    return was === will ? [] : [{ name: `${place.group.name}: ${setting.name}`, before: was!, after: will! }]
  })
}
