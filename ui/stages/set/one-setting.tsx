import type { BoxView, PlaceView } from '@/core/job/box-view'
import { BLANK } from '@/core/model/blank-rows'
import { valuesOf } from '@/core/model/setting'
import { toKeyIn, type SettingState } from '@/core/plan'
import { HowMade } from '../../catalogue/device-settings'
import { newId } from '../../job/new-id'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { PickOne, SelectField, TextField } from '../../primitives/fields'
import { Folded } from '../../primitives/folded'
import { RowContext } from '../../primitives/row-context'
import { useSay } from '../../words/use-say'

const BY_WORDS: Readonly<Record<SettingState['by'], string>> = {
  proved: 'as proved',
  'worked-out': 'worked out',
  usual: 'usual',
}

/** More values than stand beside each other. */
const MANY = 12

/** One setting: what it should be and why, what it was made to, how it is made. */
export function OneSetting({
  view,
  place,
  state,
  isNext,
}: {
  view: BoxView
  place: PlaceView
  state: SettingState
  isNext: boolean
}) {
  const say = useSay()
  const edits = useEdits(view.box.id)
  const { setting, row, value: wanted, by, is } = state
  const label =
    is === 'as-it-comes'
      ? say`${setting.name}, as it comes: ${wanted}`
      : is === 'open'
        ? say`${setting.name}, not made yet (${say(BY_WORDS[by])}: ${wanted})`
        : setting.name
  const keyedAs = (value: string) => toKeyIn(view.record, place.place.id, value)
  const put = (value: string) =>
    edits.send('make a setting', [
      row
        ? edits.change('settings', row.id, { value, trial: null, keyed: keyedAs(value) })
        : edits.add('settings', {
            id: newId(),
            placeId: place.place.id,
            settingId: setting.id,
            value,
            ...BLANK.settings,
            keyed: keyedAs(value),
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
          value={is === 'open' ? null : (row?.value ?? null)}
          options={options}
          hint={setting.why}
          onCommit={put}
        />
      )}
      <Otherwise view={view} state={state} />
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
function Otherwise({ view, state: { row, value, is } }: { view: BoxView; state: SettingState }) {
  const say = useSay()
  const edits = useEdits(view.box.id)
  const isMarked = is === 'otherwise'
  if (!row || (!isMarked && row.reason === '')) return null
  return (
    <div className={isMarked ? 'hazard bg-sheet p-3' : ''}>
      {isMarked && <p className="font-semibold">{say`${value} was worked out.`}</p>}
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
