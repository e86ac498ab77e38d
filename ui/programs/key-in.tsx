import { useContext, type ReactNode } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import type { ClockSheet } from '@/core/model/device'
import type { Program } from '@/core/model/light-program'
import { rowsWith } from '@/core/model/record'
import { DAYLIGHT_SAVING, OWN_PROGRAM, settingFor, type Setting } from '@/core/model/setting'
import type { Site } from '@/core/model/site'
import { isKeyedIn, toKeyIn } from '@/core/plan'
import { HowMade } from '../catalogue/device-settings'
import { useEdits } from '../job/provider'
import { Button } from '../primitives/button'
import { Part } from '../primitives/titled-part'
import { usePositionWords } from '../site/where-it-stands'
import { LanguageContext, useSay } from '../words/use-say'
import { eventWords } from './program-words'
import type { Programming } from './use-program'

/** The card of what is keyed in, in the order in which the device asks for it. */
export function KeyIn({
  view,
  place,
  programming: { model, clock },
  program,
  site,
}: {
  view: BoxView
  place: PlaceView
  programming: Programming
  program: Program
  site: Site
}) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const edits = useEdits(view.box.id)
  const positionWords = usePositionWords()
  const setting = settingFor(model.settings, 'program')
  const follows = settingFor(model.settings, 'daylight-saving')
  const rows = rowsWith(view.record, 'settings', 'placeId', place.place.id)
  const rowOf = (each: Setting) => rows.find(({ settingId }) => settingId === each.id)
  const row = setting && rowOf(setting)
  const isMade = row ? row.value === OWN_PROGRAM && isKeyedIn(view.record, row) : false
  const made = (each: Setting | null, value: string) => {
    if (!each) return []
    const before = rowOf(each)
    const fields = { value, reason: '', keyed: toKeyIn(view.record, place.place.id, value) }
    if (before) return [edits.change('settings', before.id, fields)]
    const at = { placeId: place.place.id, settingId: each.id }
    return [edits.add('settings', { id: edits.newId(), ...at, ...BLANK.settings, ...fields })]
  }
  const asks: Readonly<Record<ClockSheet['asks'][number], ReactNode>> = {
    place: say`Place: ${site.town === '' ? '' : `${site.town}, `}${positionWords(site)}`,
    date: say`Today’s date`,
    clock:
      program.daylightSaving === 'follows'
        ? say`The time, as clocks in ${site.zone} show it`
        : say`The standard time of ${site.zone}, without daylight saving`,
    'daylight-saving': say`Daylight saving: ${DAYLIGHT_SAVING[program.daylightSaving]}`,
    events: (
      <>
        {say`Events, in this order:`}
        <ol className="flex list-[lower-alpha] flex-col gap-1 pl-6">
          {program.events.map((event, at) => (
            <li key={at}>{eventWords(say, locale, event)}</li>
          ))}
        </ol>
      </>
    ),
  }
  return (
    <Part title={say`To key in on ${model.name}`}>
      <ol className="flex list-decimal flex-col gap-1 pl-6">
        {clock.asks.map(each => (
          <li key={each}>{asks[each]}</li>
        ))}
      </ol>
      {setting && <HowMade setting={setting} />}
      <p className="text-soft">
        {clock.override === 'next-event'
          ? say`A hand on it holds to the next event.`
          : say`A hand on it holds ${clock.override} min, whatever the program does.`}{' '}
        {say`Without power it knows the time for ${clock.batteryHours} h; after longer it stays off until somebody sets it.`}
      </p>
      {setting && (
        <Button
          data-next={isMade ? undefined : `${place.place.id} ${setting.id}`}
          look={isMade ? 'plain' : 'main'}
          disabled={isMade}
          className="self-start"
          onClick={() =>
            edits.send('make a setting', [
              ...made(setting, OWN_PROGRAM),
              ...made(follows, DAYLIGHT_SAVING[program.daylightSaving]),
            ])
          }
        >
          {isMade ? say`Keyed in` : say`It is keyed in`}
        </Button>
      )}
    </Part>
  )
}
