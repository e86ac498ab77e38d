import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import type { Row } from '@/core/model/entities'
import { valuesOf, type Setting } from '@/core/model/setting'
import { isOtherwise, usualValue, workedOut } from '@/core/plan'
import { settingOfPlan } from '@/core/route'
import { HowMade } from '../../catalogue/device-settings'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { RowContext } from '../../primitives/row-context'
import { useSay } from '../../words/use-say'

/** More values than stand beside each other. */
const MANY = 12

/** One setting: what it should be and why, what it was made to, how it is made. */
export function OneSetting({
  view,
  place,
  setting,
  row,
  isNext,
}: {
  view: BoxView
  place: PlaceView
  setting: Setting
  row: Row<'settings'> | null
  isNext: boolean
}) {
  const say = useSay()
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const usual = usualValue(view, place, setting, trade)
  const from =
    settingOfPlan(view, place.place.id, setting.id, trade) !== null
      ? say`as proved`
      : workedOut(view.record, place, setting, trade) !== null
        ? say`worked out`
        : say`usual`
  const label = `${setting.name}${row ? '' : say`, not made yet (${from}: ${usual})`}`
  const put = (value: string) =>
    edits.send('make a setting', [
      row
        ? edits.change('settings', row.id, { value })
        : edits.add('settings', {
            id: newId(),
            placeId: place.place.id,
            settingId: setting.id,
            value,
            ...BLANK.settings,
          }),
    ])
  const values = valuesOf(setting)
  const options = values.map(value => ({ value, words: value }))
  return (
    <div data-next={isNext ? `${place.place.id} ${setting.id}` : undefined} className="flex flex-col gap-2">
      {values.length > MANY ? (
        <SelectField
          label={label}
          hint={setting.why}
          value={row?.value ?? ''}
          options={row ? options : [{ value: '', words: '–' }, ...options]}
          onCommit={value => value !== '' && put(value)}
        />
      ) : (
        <PickOne
          label={label}
          value={row?.value ?? null}
          options={options}
          hint={setting.why}
          onCommit={put}
        />
      )}
      <Otherwise view={view} place={place} setting={setting} row={row} worked={usual} />
      <div className="flex flex-wrap items-start gap-x-4">
        {setting.how.length > 0 && (
          <Folded
            className="min-w-0"
            summary={
              <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline decoration-rule underline-offset-4">
                {say`How it is made: ${setting.name}`}
              </summary>
            }
          >
            <HowMade setting={setting} />
          </Folded>
        )}
        {row && (
          <Button
            look="quiet"
            aria-label={say`Not made after all: ${setting.name}`}
            onClick={() => edits.send('take back a setting', [edits.remove('settings', row.id)])}
          >{say`Not made after all`}</Button>
        )}
      </div>
    </div>
  )
}

/** Made to another value than was worked out: marked until somebody says why. */
function Otherwise({
  view,
  place,
  setting,
  row,
  worked,
}: {
  view: BoxView
  place: PlaceView
  setting: Setting
  row: Row<'settings'> | null
  worked: string
}) {
  const say = useSay()
  const trade = useTrade()
  const edits = useEdits(view.box.id)
  if (!row) return null
  const isMarked = isOtherwise(view, place, setting, trade)
  if (!isMarked && row.reason === '') return null
  return (
    <div className={isMarked ? 'hazard bg-sheet p-3' : ''}>
      {isMarked && <p className="font-semibold">{say`${worked} was worked out.`}</p>}
      <RowContext value={row.id}>
        <TextField
          label={say`Why it is ${row.value}`}
          value={row.reason}
          max={400}
          onCommit={reason =>
            edits.send('say why a setting differs', [edits.change('settings', row.id, { reason })])
          }
        />
      </RowContext>
    </div>
  )
}
