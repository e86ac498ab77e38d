import { useContext, useState } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { EVERY_DAY, type Program, type ProgramEvent } from '@/core/model/light-program'
import type { Fault } from '@/core/model/result'
import { faultsForClock, needsSun } from '@/core/setup'
import { useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { PickOne } from '../primitives/fields'
import { PressOne } from '../primitives/press-one'
import { Part } from '../primitives/titled-part'
import { WhereItStands } from '../site/where-it-stands'
import { plain } from '../words'
import { LanguageContext, useSay } from '../words/use-say'
import { Ahead } from './ahead'
import { EventFields } from './event-fields'
import { KeyIn } from './key-in'
import { eventWords } from './program-words'
import type { Programming } from './use-program'

/** When a clock turns its light on and off: made, looked at over a year, and keyed in. */
export function ProgramPart({
  view,
  place,
  programming,
}: {
  view: BoxView
  place: PlaceView
  programming: Programming
}) {
  const say = useSay()
  const { program, kept, isChanged, site } = programming
  const [isOpen, setIsOpen] = useState(false)
  const isMaking = program !== null && (isChanged || isOpen || kept === null)
  const lacksSite = site === null && program !== null && needsSun(program)
  return (
    <>
      <Part title={say`Program: ${place.group.name}`}>
        {program === null ? (
          <Begin programming={programming} />
        ) : isMaking ? (
          <Making programming={programming} onDone={() => setIsOpen(false)} lacksSite={lacksSite} />
        ) : (
          <Kept programming={programming} onChange={() => setIsOpen(true)} />
        )}
      </Part>
      {program !== null && (
        <Part title={say`Where the house stands`}>
          {lacksSite && (
            <p className="font-semibold">{say`Dusk and dawn are known once it is said where the house stands.`}</p>
          )}
          <WhereItStands />
        </Part>
      )}
      {programming.year && (
        <Ahead view={view} place={place} programming={programming} year={programming.year} />
      )}
      {kept !== null && !isChanged && site !== null && (
        <KeyIn view={view} place={place} programming={programming} program={kept} site={site} />
      )}
    </>
  )
}

/** A program from one of the usual, as far as its clock can keep it. */
function Begin({ programming: { clock, change } }: { programming: Programming }) {
  const say = useSay()
  const { usualPrograms } = useTrade()
  const usual = Object.entries(usualPrograms)
    .map(([name, program]) => [name, forClock(program, clock.daylightSaving)] as const)
    .filter(([, program]) => faultsForClock(program, clock).length === 0)
  return (
    <>
      <p>{say`None is made for it yet. One of the usual to begin with, to be corrected:`}</p>
      <PressOne
        label={say`Usual programs`}
        options={usual.map(([value]) => ({ value, words: say(plain(value)) }))}
        onPress={name => {
          const found = usual.find(each => each[0] === name)
          if (found) change(found[1])
        }}
      />
    </>
  )
}

/** What its clock does when clocks are put forward and back is not asked where its sheet says it. */
const forClock = (program: Program, does: 'follows' | 'stands' | 'set'): Program =>
  does === 'set' ? program : { ...program, daylightSaving: does }

function Kept({ programming, onChange }: { programming: Programming; onChange: () => void }) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const { program, faults, drop } = programming
  return (
    <>
      <ol className="flex list-decimal flex-col gap-1 pl-6">
        {program!.events.map((event, at) => (
          <li key={at}>{eventWords(say, locale, event)}</li>
        ))}
      </ol>
      <Faults faults={faults} />
      <LeftOn programming={programming} />
      <div className="flex flex-wrap gap-2">
        <Button onClick={onChange}>{say`Change the program`}</Button>
        <Button look="quiet" onClick={drop}>{say`Drop the program`}</Button>
      </div>
    </>
  )
}

const ANOTHER: ProgramEvent = {
  turns: 'off',
  when: { kind: 'clock', minute: 23 * 60 },
  days: EVERY_DAY,
  between: null,
  ofThatNight: false,
  instead: null,
  vary: 0,
}

function Making({
  programming,
  onDone,
  lacksSite,
}: {
  programming: Programming
  onDone: () => void
  lacksSite: boolean
}) {
  const say = useSay()
  const { clock, faults, isChanged, isOvertaken, change, goOn, keep, leave } = programming
  const program = programming.program!
  const { events } = program
  const put = (next: readonly ProgramEvent[]) => change({ ...program, events: next })
  return (
    <>
      <ol className="flex flex-col gap-3">
        {events.map((event, at) => (
          <li key={at} className="rounded-lg border-[1.5px] border-rule p-2">
            <EventFields
              event={event}
              clock={clock}
              name={say`Event ${at + 1}`}
              onChange={next => put(events.map((each, index) => (index === at ? next : each)))}
            />
            <Button
              look="quiet"
              aria-label={say`Take event ${at + 1} out`}
              onClick={() => put(events.filter((_, index) => index !== at))}
            >{say`Take it out`}</Button>
          </li>
        ))}
      </ol>
      <div className="flex flex-wrap gap-2">
        <Button
          disabled={events.length >= clock.events}
          onClick={() => put([...events, ANOTHER])}
        >{say`Another event`}</Button>
      </div>
      {clock.daylightSaving === 'set' && (
        <PickOne
          label={say`When clocks are put forward and back its clock`}
          value={program.daylightSaving}
          options={[
            { value: 'follows', words: say`follows` },
            { value: 'stands', words: say`stands` },
          ]}
          onCommit={daylightSaving => change({ ...program, daylightSaving })}
        />
      )}
      <Faults faults={faults} />
      <LeftOn programming={programming} />
      {isOvertaken && (
        <div role="alert" className="hazard flex flex-col gap-2 bg-sheet p-3">
          <p className="font-semibold">{say`Somebody kept another program meanwhile`}</p>
          <div className="flex flex-wrap gap-2">
            <Button onClick={goOn}>{say`Go on with this one`}</Button>
            <Button
              onClick={() => {
                leave()
                onDone()
              }}
            >{say`Take theirs`}</Button>
          </div>
        </div>
      )}
      <div className="flex flex-wrap gap-2">
        <Button
          look="main"
          disabled={isOvertaken || !isChanged || faults.length > 0 || lacksSite}
          onClick={() => {
            keep()
            onDone()
          }}
        >{say`Keep the program`}</Button>
        <Button
          look="quiet"
          onClick={() => {
            leave()
            onDone()
          }}
        >{say`Leave it as it was`}</Button>
      </div>
    </>
  )
}

/** What is wrong, each at the event it is wrong in. */
function Faults({ faults }: { faults: readonly Fault[] }) {
  const say = useSay()
  if (faults.length === 0) return null
  return (
    <div role="alert" className="hazard flex flex-col gap-1 bg-sheet p-3">
      {faults.map(({ path, message }) => {
        const [, at] = /^\/events\/(\d+)/.exec(path) ?? []
        return (
          <p key={`${path} ${message}`} className="font-semibold">
            {at === undefined
              ? say`The program: ${say(message)}.`
              : say`Event ${Number(at) + 1}: ${say(message)}.`}
          </p>
        )
      })}
    </div>
  )
}

/** What stays on for longer than a day, with an event that ends it. */
function LeftOn({ programming }: { programming: Programming }) {
  const say = useSay()
  const { locale } = useContext(LanguageContext)
  const { year, program, clock, site, change } = programming
  const [first] = year?.leftOn ?? []
  if (!first || !program) return null
  const dates = new Intl.DateTimeFormat(locale, {
    dateStyle: 'medium',
    timeStyle: 'short',
    timeZone: site?.zone ?? 'UTC',
  })
  const isFull = program.events.length >= clock.events
  const end: ProgramEvent = {
    ...ANOTHER,
    ...(clock.can.includes('sun') && { when: { kind: 'dawn', plus: 0 }, instead: 12 * 60 }),
  }
  return (
    <div role="alert" className="hazard flex flex-col gap-2 bg-sheet p-3">
      <p className="font-semibold">
        {first.to === null && first.from < Date.UTC(programming.yearNumber, 0, 1)
          ? say`Nothing turns it off any more: it is lit day and night.`
          : first.to === null
            ? say`Lit from ${dates.format(first.from)} on, and nothing turns it off any more.`
            : say`Lit from ${dates.format(first.from)} to ${dates.format(first.to)}: for more than a day.`}
      </p>
      {year!.leftOn.length > 1 && (
        <p>{say.count(year!.leftOn.length, 'Once in the year.', '# times in the year.')}</p>
      )}
      <Button
        className="self-start"
        disabled={isFull}
        onClick={() => change({ ...program, events: [...program.events, end] })}
      >
        {clock.can.includes('sun') ? say`Add: off at dawn, every day` : say`Add: off at 23:00, every day`}
      </Button>
    </div>
  )
}
