import { useContext, useId } from 'react'
import type { ClockSheet } from '@/core/model/device'
import {
  EVERY_DAY,
  momentsOf,
  type Moment,
  type ProgramEvent,
  type Turns,
  type When,
} from '@/core/model/light-program'
import { FIELD_LOOK } from '../primitives/field-look'
import { CheckField, NumberField, PickOne, SelectField } from '../primitives/fields'
import { Folded } from '../primitives/folded'
import { LanguageContext, useSay } from '../words/use-say'
import { clockWords, monthName, weekdayName } from './program-words'

const MOST_MINUTES = 720
const DATES_IN_MONTH = [31, 29, 31, 30, 31, 30, 31, 31, 30, 31, 30, 31] as const
const KIND_WORDS: Readonly<Record<When['kind'], string>> = {
  clock: 'a clock time',
  dusk: 'dusk',
  dawn: 'dawn',
  earlier: 'the earlier of two',
  later: 'the later of two',
}
const MOMENTS = ['clock', 'dusk', 'dawn'] as const
const EVENING: Moment = { kind: 'clock', minute: 22 * 60 }

const isPair = (kind: When['kind']): kind is 'earlier' | 'later' => kind === 'earlier' || kind === 'later'

/** A moment of another kind, with what was said of it where that goes on. */
function momentOf(kind: Moment['kind'], before: Moment): Moment {
  if (kind === 'clock') return before.kind === 'clock' ? before : EVENING
  return { kind, plus: before.kind === 'clock' ? 0 : before.plus }
}

function whenOf(kind: When['kind'], before: When): When {
  const [first, second] = 'of' in before ? before.of : [before, EVENING]
  return isPair(kind) ? { kind, of: [first, second] } : momentOf(kind, first)
}

/** One event: what it turns, and when; the rest at a press. */
export function EventFields({
  event,
  clock,
  name,
  onChange,
}: {
  event: ProgramEvent
  clock: ClockSheet
  /** Which of them it is. */
  name: string
  onChange: (event: ProgramEvent) => void
}) {
  const say = useSay()
  const { turns, when } = event
  const kinds: When['kind'][] = [
    'clock',
    ...(clock.can.includes('sun') ? (['dusk', 'dawn'] as const) : []),
    ...(clock.can.includes('pairs') ? (['earlier', 'later'] as const) : []),
  ]
  // What its clock cannot keep is shown all the same, where it was made for another.
  const offered = kinds.includes(when.kind) ? kinds : [...kinds, when.kind]
  const moments = MOMENTS.filter(kind => kind === 'clock' || clock.can.includes('sun'))
  const put = (next: When) =>
    onChange({
      ...event,
      when: next,
      ofThatNight: next.kind === 'clock' ? event.ofThatNight : false,
      instead: momentsOf(next).some(({ kind }) => kind !== 'clock') ? event.instead : null,
    })
  return (
    <div className="flex flex-col gap-2">
      <div className="grid grid-cols-2 items-end gap-2">
        <PickOne<Turns>
          label={name}
          value={turns}
          options={[
            { value: 'on', words: say`On` },
            { value: 'off', words: say`Off` },
          ]}
          onCommit={next => onChange({ ...event, turns: next })}
        />
        <SelectField<When['kind']>
          label={say`${name}: at`}
          labelHidden
          value={when.kind}
          options={offered.map(value => ({ value, words: say(KIND_WORDS[value]) }))}
          onCommit={kind => put(whenOf(kind, when))}
        />
      </div>
      {'of' in when ? (
        when.of.map((moment, at) => (
          <div key={at} className="grid grid-cols-2 gap-2">
            <SelectField<Moment['kind']>
              label={at === 0 ? say`One` : say`The other`}
              value={moment.kind}
              options={moments.map(value => ({ value, words: say(KIND_WORDS[value]) }))}
              onCommit={kind => put({ ...when, of: withAt(when.of, at, momentOf(kind, moment)) })}
            />
            <MomentField moment={moment} onChange={next => put({ ...when, of: withAt(when.of, at, next) })} />
          </div>
        ))
      ) : (
        <MomentField moment={when} onChange={put} />
      )}
      <Folded
        opened={isMore(event)}
        summary={
          <summary className="flex min-h-11 cursor-pointer items-center font-semibold underline decoration-rule underline-offset-4">
            {say`Days, dates, nights without sun`}
          </summary>
        }
      >
        <More event={event} clock={clock} onChange={onChange} />
      </Folded>
    </div>
  )
}

const withAt = (of: readonly [Moment, Moment], at: number, moment: Moment): readonly [Moment, Moment] =>
  at === 0 ? [moment, of[1]] : [of[0], moment]

const isMore = ({ days, between, ofThatNight, instead, vary }: ProgramEvent): boolean =>
  days.length < EVERY_DAY.length || between !== null || ofThatNight || instead !== null || vary > 0

/** A clock time, or minutes from dusk or dawn. */
function MomentField({ moment, onChange }: { moment: Moment; onChange: (moment: Moment) => void }) {
  const say = useSay()
  return moment.kind === 'clock' ? (
    <ClockField
      label={say`Clock time`}
      minute={moment.minute}
      onChange={minute => minute !== null && onChange({ kind: 'clock', minute })}
    />
  ) : (
    <NumberField
      label={
        moment.kind === 'dusk' ? say`After dusk (before: less than 0)` : say`After dawn (before: less than 0)`
      }
      unit="min"
      min={-MOST_MINUTES}
      max={MOST_MINUTES}
      value={moment.plus}
      onCommit={plus => onChange({ kind: moment.kind, plus: Math.round(plus ?? 0) })}
    />
  )
}

function ClockField({
  label,
  minute,
  onChange,
}: {
  label: string
  minute: number | null
  onChange: (minute: number | null) => void
}) {
  const id = useId()
  return (
    <div className="flex min-w-0 flex-col gap-1">
      <label htmlFor={id} className="text-sm font-semibold">
        {label}
      </label>
      <input
        id={id}
        type="time"
        value={minute === null ? '' : clockWords(minute)}
        onChange={({ target }) => {
          const [hours, minutes] = target.value.split(':').map(Number)
          onChange(target.value === '' ? null : (hours ?? 0) * 60 + (minutes ?? 0))
        }}
        className={`${FIELD_LOOK} w-full py-2`}
      />
    </div>
  )
}

function More({
  event,
  clock,
  onChange,
}: {
  event: ProgramEvent
  clock: ClockSheet
  onChange: (event: ProgramEvent) => void
}) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const { when, days, between, ofThatNight, instead, vary } = event
  const isBySun = momentsOf(when).some(({ kind }) => kind !== 'clock')
  return (
    <div className="flex flex-col gap-3 pb-2">
      {(clock.can.includes('weekdays') || days.length < EVERY_DAY.length) && (
        <fieldset>
          <legend className="mb-1 text-sm font-semibold">{say`Days of the week`}</legend>
          <div className="flex flex-wrap gap-x-4">
            {EVERY_DAY.map(day => (
              <CheckField
                key={day}
                label={weekdayName(locale, day)}
                value={days.includes(day)}
                onCommit={is =>
                  onChange({
                    ...event,
                    days: is
                      ? [...days, day].sort((one, other) => one - other)
                      : days.filter(each => each !== day),
                  })
                }
              />
            ))}
          </div>
        </fieldset>
      )}
      {(clock.can.includes('dates') || between) && (
        <>
          <CheckField
            label={say`Only between two dates`}
            value={between !== null}
            onCommit={is => onChange({ ...event, between: is ? { from: '11-01', to: '03-31' } : null })}
          />
          {between &&
            (['from', 'to'] as const).map(edge => (
              <MonthDay
                key={edge}
                label={edge === 'from' ? say`From` : say`To`}
                value={between[edge]}
                onChange={value => onChange({ ...event, between: { ...between, [edge]: value } })}
              />
            ))}
        </>
      )}
      {when.kind === 'clock' && clock.can.includes('sun') && (
        <CheckField
          label={say`Of the night: days and dates are those of the evening before`}
          value={ofThatNight}
          onCommit={is => onChange({ ...event, ofThatNight: is })}
        />
      )}
      {isBySun && (
        <ClockField
          label={say`Where the sun does not set or rise that night, at (empty: not at all)`}
          minute={instead}
          onChange={minute => onChange({ ...event, instead: minute })}
        />
      )}
      {(clock.can.includes('vary') || vary > 0) && (
        <NumberField
          label={say`By lot before or after, at most`}
          unit="min"
          min={0}
          max={MOST_MINUTES}
          value={vary}
          onCommit={minutes => onChange({ ...event, vary: Math.round(minutes ?? 0) })}
        />
      )}
    </div>
  )
}

/** A date of any year. */
function MonthDay({
  label,
  value,
  onChange,
}: {
  label: string
  value: string
  onChange: (value: string) => void
}) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const [month, date] = value.split('-').map(Number) as [number, number]
  const two = (number: number) => String(number).padStart(2, '0')
  const most = DATES_IN_MONTH[month - 1] ?? 31
  return (
    <div className="grid grid-cols-2 gap-2">
      <SelectField
        label={say`${label}: month`}
        value={two(month)}
        options={DATES_IN_MONTH.map((_, at) => ({
          value: two(at + 1),
          words: monthName(locale, at + 1, 'long'),
        }))}
        onCommit={next => onChange(`${next}-${two(Math.min(date, DATES_IN_MONTH[Number(next) - 1] ?? 31))}`)}
      />
      <SelectField
        label={say`${label}: date`}
        value={two(date)}
        options={Array.from({ length: most }, (_, at) => ({ value: two(at + 1), words: String(at + 1) }))}
        onCommit={next => onChange(`${two(month)}-${next}`)}
      />
    </div>
  )
}
