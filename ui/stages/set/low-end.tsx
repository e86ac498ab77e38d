import { useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import type { DeviceModel } from '@/core/model/device'
import { figure } from '@/core/model/units'
import { wattsOf } from '@/core/model/watts'
import { figuresOf, valuesOf, type Setting } from '@/core/model/setting'
import type { TrimRecord, TrimSeen } from '@/core/model/trim-trial'
import type { SettingState } from '@/core/plan'
import { expectedLowEnd, seenDownTo, trimTrial, type TrimTrial } from '@/core/setup'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PressOne } from '../../primitives/press-one'
import { useSay } from '../../words/use-say'
import { ToStage } from '../to-stage'

/** More lamps of one kind than anybody names one by one. */
const MANY_LAMPS = 12

/** The values of a low end, the lowest level first. */
const stepsOf = (setting: Setting) =>
  valuesOf(setting)
    .flatMap(value => {
      const [level] = figuresOf(setting, value)
      return level === undefined ? [] : [{ value, level }]
    })
    .sort((one, other) => one.level - other.level)

type Step = ReturnType<typeof stepsOf>[number]

/** The low end found by trial: all lamps on, down until one fails, up a step, saved, off and on. */
export function LowEnd({
  view,
  place,
  model,
  state: { setting, row },
}: {
  view: BoxView
  place: PlaceView
  model: DeviceModel
  state: SettingState
}) {
  const say = useSay()
  const edits = useEdits(view.box.id)
  const steps = stepsOf(setting)
  const levels = steps.map(({ level }) => level)
  const [seen, setSeen] = useState<readonly TrimSeen[] | null>(null)
  const valueAt = (level: number) => steps.find(each => each.level === level)?.value ?? figure(level, 0)
  if (steps.length < 2) return null
  if (seen === null)
    return (
      <div className="flex flex-col gap-2">
        {row?.trial && <Found record={row.trial} valueAt={valueAt} />}
        <Expected place={place} model={model} steps={steps} />
        <Button className="self-start" onClick={() => setSeen([])}>
          {row?.trial ? say`Find it anew by trial` : say`Find it by trial`}
        </Button>
      </div>
    )
  const trial = trimTrial({ levels, seen })!
  const add = (...more: readonly TrimSeen[]) => setSeen([...seen, ...more])
  const keep = (level: number) => {
    const fields = { value: valueAt(level), reason: '', trial: { levels, seen } }
    const sent = edits.send('make a setting', [
      row
        ? edits.change('settings', row.id, fields)
        : edits.add('settings', {
            id: edits.newId(),
            placeId: place.place.id,
            settingId: setting.id,
            ...BLANK.settings,
            ...fields,
          }),
    ])
    if (sent) setSeen(null)
  }
  return (
    <div
      data-next={`${place.place.id} ${setting.id} trial`}
      className="rounded-lg border-[1.5px] border-rule p-3"
    >
      <Asked
        trial={trial}
        steps={steps}
        levels={levels}
        place={place}
        onSeen={add}
        onKeep={keep}
        valueAt={valueAt}
        currency={view.region.currency}
      />
      <div className="mt-2 flex flex-wrap gap-2">
        {trial.next.kind === 'none' && <ToStage view={view} stage="choose" />}
        {seen.length > 0 && <Button look="quiet" onClick={() => setSeen([])}>{say`Begin again`}</Button>}
        <Button look="quiet" onClick={() => setSeen(null)}>{say`Leave the trial`}</Button>
      </div>
    </div>
  )
}

/** Names of the lamps, one by one as long as somebody can tell them apart. */
function useLamps(place: PlaceView): string[] {
  const say = useSay()
  return place.loads.flatMap(({ name, count }) =>
    count === 1
      ? [name]
      : count > MANY_LAMPS
        ? [say`one of ${name}`]
        : Array.from({ length: count }, (_, at) => say`${name}, no. ${at + 1}`),
  )
}

/** The one thing that is asked now. */
function Asked({
  trial,
  steps,
  levels,
  place,
  onSeen,
  onKeep,
  valueAt,
  currency,
}: {
  trial: TrimTrial
  steps: readonly Step[]
  levels: readonly number[]
  place: PlaceView
  onSeen: (...seen: readonly TrimSeen[]) => void
  onKeep: (level: number) => void
  valueAt: (level: number) => string
  currency: string
}) {
  const say = useSay()
  const lamps = useLamps(place)
  const [failedAt, setFailedAt] = useState<number | null>(null)
  const { next, first, tries } = trial
  if (next.kind === 'look')
    return failedAt === null ? (
      <>
        <p className="mb-2">{say`All lamps on. From the highest (${valueAt(next.level)}) down, a step at a time: watch every lamp for half a minute.`}</p>
        <PressOne
          label={say`The first step at which a lamp flickers or goes out`}
          options={[
            ...[...steps].reverse().map(({ value, level }) => ({ value: String(level), words: value })),
            { value: 'none', words: say`none, down to the lowest` },
          ]}
          onPress={value =>
            value === 'none' ? onSeen(...seenDownTo({ levels }, null)) : setFailedAt(Number(value))
          }
        />
      </>
    ) : (
      <PressOne
        label={say`Which lamp failed first at ${valueAt(failedAt)}?`}
        options={lamps.map(value => ({ value, words: value }))}
        onPress={lamp => {
          setFailedAt(null)
          onSeen(...seenDownTo({ levels }, { level: failedAt, lamp }))
        }}
      />
    )
  if (next.kind === 'start')
    return (
      <>
        <p className="mb-2">
          <strong>{say`Save it at ${valueAt(next.level)}.`}</strong>{' '}
          {say`Then turn the light off, wait ten seconds, and turn it on at its lowest.`}
        </p>
        <PressOne
          label={say`Does every lamp start?`}
          options={[
            { value: '', words: say`Every lamp starts` },
            ...lamps.map(value => ({ value, words: say`${value} stays dark` })),
          ]}
          onPress={lamp => onSeen(lamp === '' ? { saw: 'all-start' } : { saw: 'stays-dark', lamp })}
        />
      </>
    )
  if (next.kind === 'none') return <NoLevel lamp={next.lamp} currency={currency} />
  return (
    <>
      <p role="status" className="mb-2 rounded-lg bg-tint p-3 text-lg">
        <strong>{say`Low end: ${valueAt(next.level)}`}</strong>
        {` · ${say.count(tries, 'started once', 'started # times')}`}
        {first && ` · ${say`${first.lamp} failed first, at ${valueAt(first.level)}`}`}
      </p>
      <Button look="main" onClick={() => onKeep(next.level)}>{say`It is set so`}</Button>
    </>
  )
}

/** What helps where no level does, with its money. */
function NoLevel({ lamp, currency }: { lamp: string; currency: string }) {
  const say = useSay()
  const { prices } = useTrade()
  return (
    <div role="alert" className="hazard flex flex-col gap-1 bg-sheet p-3">
      <p className="font-semibold">{say`No step does for ${lamp}.`}</p>
      <ul className="flex list-disc flex-col gap-1 pl-6">
        <li>{say`Another lamp, of a kind that its maker has tried with this dimmer: from ${prices['lamp-change']} ${currency} each`}</li>
        <li>{say`A dimmer that takes a neutral, where there is one in the box`}</li>
        <li>{say`A bypass beside the lamps, where the sheets of both allow it: ${prices.bypass} ${currency}`}</li>
      </ul>
    </div>
  )
}

/** What is known beforehand: a dimmer that lives through its lamps needs them to draw so much. */
function Expected({ place, model, steps }: { place: PlaceView; model: DeviceModel; steps: readonly Step[] }) {
  const say = useSay()
  const through = model.supply.find(each => each.kind === 'through-load')
  const watts = wattsOf(place.loads)
  if (!through)
    return (
      <p className="text-soft">{say`Beforehand: it lives on its own neutral; how low it goes is up to the lamps.`}</p>
    )
  if (watts === null || watts === 0)
    return (
      <p className="text-soft">{say`Beforehand: it needs ${through.minimumWatts} W through the lamps; what they draw is not known.`}</p>
    )
  const least = expectedLowEnd(through.minimumWatts, watts)
  const step = steps.find(({ level }) => level >= least)
  return (
    <p className="text-soft">
      {step
        ? say`Beforehand: it needs ${through.minimumWatts} W of ${figure(watts, 1)} W, so below ${step.value} (${figure(step.level, 0)} %) lamps may well fail.`
        : say`Beforehand: it needs ${through.minimumWatts} W, and the lamps draw ${figure(watts, 1)} W in full: no step may do.`}
    </p>
  )
}

/** How it was found. */
function Found({ record, valueAt }: { record: TrimRecord; valueAt: (level: number) => string }) {
  const say = useSay()
  const trial = trimTrial(record)
  if (!trial || trial.next.kind === 'none') return null
  return (
    <p>
      {say`Found by trial: ${valueAt(trial.next.level)}`}
      {` · ${say.count(trial.tries, 'started once', 'started # times')}`}
      {trial.first && ` · ${say`${trial.first.lamp} failed first, at ${valueAt(trial.first.level)}`}`}
    </p>
  )
}
