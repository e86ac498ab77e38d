'use client'

import { theControl } from '@/core/job/place-name'
import { capital } from '@/core/words/capital'
import { INSULATION_WORDS } from '@/core/words/of-vocabulary'
import type { BoxView, EndView } from '@/core/job/box-view'
import { deviceNamed } from '@/core/model/trade'
import { rowsWith } from '@/core/model/record'
import { looksLikeGround } from '@/core/model/regions'
import { BLANK } from '@/core/model/blank-rows'
import {
  CONNECTORS,
  INSULATIONS,
  METALS,
  RUNS_THROUGH,
  STRANDINGS,
  WISHES,
  type Gauge,
} from '@/core/model/vocabulary'
import { Fragment } from 'react'
import { isRun } from '@/core/recording'
import { newId } from '../../job/new-id'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { CheckField, PickOne, SelectField, TextField, type Option } from '../../primitives/fields'
import { CONNECTOR_WORDS, plain } from '../../words'
import { useBroughtUp } from '../../primitives/use-brought-up'
import { Part } from '../../primitives/titled-part'
import { useSay } from '../../words/use-say'
import { RowContext } from '../../primitives/row-context'

/** One conductor as seen: colour, gauge, and where it sits. Each press is one edit. */
export function StrandPanel({
  view,
  strand,
  onClose,
}: {
  view: BoxView
  strand: EndView
  onClose: () => void
}) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const brought = useBroughtUp<HTMLDivElement>()
  const { conductor, end } = strand
  const change = (fields: Parameters<typeof edits.change<'conductors'>>[2]) =>
    edits.send('edit a conductor', [edits.change('conductors', conductor.id, fields)])
  // Those of the region first; an old house, or a stranger’s hand, may hold any of the others.
  const insulations = [...new Set([...view.region.insulations, ...INSULATIONS])]
  const tapes = insulations.filter(each => !view.region.groundColours.includes(each))
  const gauges = [...new Set([...view.region.gauges, conductor.gauge])]
  return (
    <div ref={brought} className="scroll-mt-3">
      <Part title={say`Conductor ${strand.name}`} aside={<Button onClick={onClose}>{say`Done`}</Button>}>
        <PickOne
          label={say`Insulation seen`}
          value={conductor.insulation}
          options={insulations.map(value => ({
            value,
            words: say(INSULATION_WORDS[value]),
            mark: <Chip insulation={value} />,
          }))}
          onCommit={insulation => change({ insulation })}
        />
        {conductor.insulation !== 'bare' && (
          <CheckField
            label={say`Faded: another color is as likely`}
            value={conductor.faded}
            onCommit={faded => change({ faded })}
          />
        )}
        <CheckField
          label={say`Unfit: too short or damaged, to carry nothing`}
          value={conductor.unfit}
          onCommit={unfit => change({ unfit })}
        />
        <SeatPicker view={view} strand={strand} />
        <PickOne
          label={say`Marked with tape`}
          value={conductor.markedAs ?? 'none'}
          options={[
            { value: 'none' as const, words: say`No tape` },
            ...tapes.map(value => ({
              value,
              words: say(plain(value)),
              mark: <Chip insulation={value} />,
            })),
          ]}
          onCommit={value => change({ markedAs: value === 'none' ? null : value })}
        />
        <PickOne
          label={say`Gauge`}
          value={conductor.gauge}
          options={gauges.map(value => ({ value, words: value }))}
          onCommit={gauge => change({ gauge })}
        />
        {isRun(strand.cable) && (
          <SelectField
            label={say`Wanted to carry, where the plan can follow`}
            value={conductor.wish ?? 'none'}
            options={[
              { value: 'none' as const, words: say`What is least work` },
              ...WISHES.map(value => ({ value, words: say(plain(value)) })),
            ]}
            onCommit={wish =>
              edits.send('wire it another way', [
                edits.change('conductors', conductor.id, { wish: wish === 'none' ? null : wish }),
              ])
            }
          />
        )}
        <RowContext key={strand.end.id} value={strand.end.id}>
          <PinnedNote view={view} strand={strand} />
        </RowContext>
        <div className="flex flex-wrap gap-x-8 gap-y-3">
          <PickOne
            label={say`Strands`}
            value={conductor.stranding}
            options={STRANDINGS.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={stranding => change({ stranding })}
          />
          <PickOne
            label={say`Metal`}
            value={conductor.metal}
            options={METALS.map(value => ({ value, words: say(plain(value)) }))}
            onCommit={metal => change({ metal })}
          />
        </div>
        {looksLikeGround(view.region, conductor) && (
          <CheckField
            label={say`Seen where the sheath ends: a ground by construction`}
            value={end.seenAtSheath}
            onCommit={seenAtSheath =>
              edits.send('edit a conductor', [edits.change('ends', end.id, { seenAtSheath })])
            }
          />
        )}
        <Button
          onClick={() => {
            onClose()
            edits.send('edit a conductor', [edits.remove('conductors', conductor.id)])
          }}
        >{say`This conductor is not there`}</Button>
      </Part>
    </div>
  )
}

/** A note that hangs on this conductor, wherever it is shown. */
function PinnedNote({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const note = rowsWith(view.record, 'notes', 'endId', strand.end.id)[0]
  const commit = (text: string) =>
    edits.send('pin a note', [
      !note
        ? edits.add('notes', { id: newId(), endId: strand.end.id, text })
        : text === ''
          ? edits.remove('notes', note.id)
          : edits.change('notes', note.id, { text }),
    ])
  return <TextField label={say`Note pinned to it`} value={note?.text ?? ''} max={400} onCommit={commit} />
}

/** Terminals of the old devices, the joints there are, a new joint, a cap, or loose. */
function SeatPicker({ view, strand }: { view: BoxView; strand: EndView }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const { end } = strand
  const terminals: Option<string>[] = view.places.flatMap(({ place, found }) => {
    const model = deviceNamed(trade, found?.modelId ?? '')
    if (!found || !model) return []
    const gang = view.places.length > 1 ? `${capital(theControl(view.record, place))}: ` : ''
    return model.terminals.map(terminal => ({
      value: `terminal/${found.id}/${terminal.id}`,
      words: `${gang}${terminal.word}`,
    }))
  })
  const joints: Option<string>[] = view.joints.map(joint => {
    const members = view.ends.filter(each => each.end.jointId === joint.id && each.end.id !== end.id)
    return {
      value: `joint/${joint.id}`,
      words:
        members.length > 0
          ? say`Joint with ${members.map(each => each.name).join(', ')}`
          : say`Joint of its own`,
    }
  })
  const alone =
    end.jointId !== null && view.ends.filter(each => each.end.jointId === end.jointId).length === 1
  const options = [
    ...terminals,
    ...joints,
    ...(alone ? [] : [{ value: 'joint/new', words: say`New joint` }]),
    { value: 'cap', words: say`Capped alone` },
    { value: 'loose', words: say`Loose` },
  ]
  const value =
    end.seat === 'terminal'
      ? `terminal/${end.deviceId}/${end.terminal}`
      : end.seat === 'joint'
        ? `joint/${end.jointId}`
        : end.seat
  const seat = (chosen: string) => {
    const [kind, id = '', terminal = ''] = chosen.split('/')
    const none = { deviceId: null, terminal: null, jointId: null }
    if (kind === 'terminal')
      return edits.send('seat a conductor', [
        edits.change('ends', end.id, { ...none, seat: 'terminal', deviceId: id, terminal }),
      ])
    if (kind !== 'joint')
      return edits.send('seat a conductor', [
        edits.change('ends', end.id, { ...none, seat: kind === 'cap' ? 'cap' : 'loose' }),
      ])
    const jointId = id === 'new' ? newId() : id
    return edits.send('seat a conductor', [
      ...(id === 'new' ? [edits.add('joints', { ...BLANK.joints, id: jointId, boxId: view.box.id })] : []),
      edits.change('ends', end.id, { ...none, seat: 'joint', jointId }),
    ])
  }
  return (
    <>
      <PickOne label={say`Where it sits`} value={value} options={options} onCommit={seat} />
      {end.jointId && <JointFields view={view} jointId={end.jointId} />}
    </>
  )
}

function JointFields({ view, jointId }: { view: BoxView; jointId: string }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const joint = view.joints.find(each => each.id === jointId)
  if (!joint) return null
  const change = (fields: Parameters<typeof edits.change<'joints'>>[2]) =>
    edits.send('seat a conductor', [edits.change('joints', jointId, fields)])
  const members = view.ends.filter(({ end }) => end.jointId === jointId)
  const tails = view.pigtails.filter(each => each.jointId === jointId)
  // One conductor from cable to cable: nothing else can hang on it.
  const runsThrough =
    RUNS_THROUGH.includes(joint.connector) ||
    (tails.length === 0 && members.length === 2 && members[0]!.cable.id !== members[1]!.cable.id)
  const goals = [
    ...view.places.flatMap(({ found, place }) => {
      const model = deviceNamed(trade, found?.modelId ?? '')
      if (!found || !model) return []
      return model.terminals.map(terminal => ({
        deviceId: found.id as string | null,
        terminal: terminal.id as string | null,
        words: say`Pigtail to ${view.places.length > 1 ? `${theControl(view.record, place)}, ` : ''}“${terminal.word}”`,
      }))
    }),
    ...(view.box.material === 'metal'
      ? [{ deviceId: null, terminal: null, words: say`Pigtail to the metal box` }]
      : []),
  ]
  return (
    <div className="rounded-lg border border-rule p-3">
      <PickOne
        label={say`Its joint is held by`}
        value={joint.connector}
        options={CONNECTORS.filter(value => runsThrough || !RUNS_THROUGH.includes(value)).map(value => ({
          value,
          words: say(CONNECTOR_WORDS[value]),
        }))}
        onCommit={connector => change({ connector })}
      />
      <CheckField
        label={say`Bare copper shows`}
        value={joint.bareShows}
        onCommit={bareShows => change({ bareShows })}
      />
      <details>
        <summary className="min-h-11 py-2 font-semibold">{say`Pigtails from this joint`}</summary>
        {goals.map(goal => {
          const found = view.pigtails.find(
            each =>
              each.jointId === jointId && each.deviceId === goal.deviceId && each.terminal === goal.terminal,
          )
          return (
            <Fragment key={goal.words}>
              <CheckField
                label={goal.words}
                value={found !== undefined}
                onCommit={() =>
                  edits.send('seat a conductor', [
                    found
                      ? edits.remove('pigtails', found.id)
                      : edits.add('pigtails', {
                          ...BLANK.pigtails,
                          id: newId(),
                          jointId,
                          deviceId: goal.deviceId,
                          terminal: goal.terminal,
                        }),
                  ])
                }
              />
              {found && (
                <SelectField<Gauge | 'not-known'>
                  label={say`Gauge: ${goal.words}`}
                  value={found.gauge ?? 'not-known'}
                  options={[
                    { value: 'not-known', words: say`Not known` },
                    ...view.region.gauges.map(value => ({ value, words: value })),
                  ]}
                  onCommit={gauge =>
                    edits.send('seat a conductor', [
                      edits.change('pigtails', found.id, { gauge: gauge === 'not-known' ? null : gauge }),
                    ])
                  }
                />
              )}
            </Fragment>
          )
        })}
      </details>
    </div>
  )
}
