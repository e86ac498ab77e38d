import type { DeviceModel } from '@/core/model/device'
import { valuesOf, type MadeBy, type MadeWhen, type Setting } from '@/core/model/setting'
import { useSay } from '../words/use-say'

export const MADE_WORDS: Readonly<Record<MadeBy, string>> = {
  dial: 'by a dial',
  slide: 'by a slide',
  hold: 'by holding its key',
  keys: 'by its keys',
  jumper: 'by a jumper',
  lead: 'by a lead',
  radio: 'by radio',
}

export const WHEN_WORDS: Readonly<Record<MadeWhen, string>> = {
  'before-folding': 'before it is folded in',
  'under-cover': 'under its cover, before the plate',
  'power-on': 'with its power on',
}

const range = ({ allowed }: Setting) => 'step' in allowed && (allowed.to - allowed.from) / allowed.step > 12

/** Its settings: what each can be, how it comes, and how the maker has it made. */
export function DeviceSettings({ device: { settings } }: { device: DeviceModel }) {
  const say = useSay()
  if (settings.length === 0) return null
  return (
    <section className="flex flex-col gap-3">
      <h3 className="text-sm font-semibold">{say`Settings`}</h3>
      {settings.map(setting => {
        const values = valuesOf(setting)
        return (
          <div key={setting.id} className="flex flex-col gap-1 border-t border-rule pt-2">
            <p>
              <strong>{setting.name}</strong>
              {': '}
              {range(setting)
                ? say`${values[0]!} to ${values.at(-1)!}, ${values.length} values`
                : values.join(', ')}
            </p>
            <p className="text-sm text-soft">
              {say`Comes as ${setting.initial}.`} {setting.why}
            </p>
            <HowMade setting={setting} />
          </div>
        )
      })}
    </section>
  )
}

/** How, and when, a setting is made on the device. */
export function HowMade({ setting: { made, when, how } }: { setting: Setting }) {
  const say = useSay()
  if (made === null && when === null && how.length === 0) return null
  const words = [...(made ? [say(MADE_WORDS[made])] : []), ...(when ? [say(WHEN_WORDS[when])] : [])]
  return (
    <div className="text-sm">
      {words.length > 0 && <p>{say`Made ${words.join(', ')}.`}</p>}
      <ol className="list-decimal pl-5">
        {how.map(each => (
          <li key={each}>{each}</li>
        ))}
      </ol>
    </div>
  )
}
