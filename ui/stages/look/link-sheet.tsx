'use client'

import { INSULATION_WORDS } from '@/core/words/of-vocabulary'
import { useMemo, useState } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Cable, Conductor } from '@/core/model/entities'
import { rowsOf, rowsWith } from '@/core/model/record'
import {
  controlBoxAdded,
  differencesIn,
  linked,
  matchedByColour,
  mayBeTheSame,
  mayLeadTo,
  otherBoxOf,
  roomNamed,
  type Differing,
  type Pair,
} from '@/core/recording'
import { useEdits } from '../../job/provider'
import { Button } from '../../primitives/button'
import { Chip } from '../../primitives/chip'
import { PickOne, SelectField, TextField } from '../../primitives/fields'
import { Sheet } from '../../primitives/sheet'
import { plain } from '../../words'
import { capital } from '@/core/words/capital'
import { boxNamed } from './far-words'
import { useSay } from '../../words/use-say'
import { type Say } from '@/core/words/say'

const NEW = 'new'
const NONE = 'none'
const SHOWN = 5

/** Which box a cable leads to, and which cable there it is; conductor by conductor where colours do not say. */
export function LinkSheet({ view, cable, onClose }: { view: BoxView; cable: Cable; onClose: () => void }) {
  const say = useSay()

  const edits = useEdits(view.box.id)
  const { record } = view
  const likely = useMemo(
    () => mayLeadTo(record, view.box.id).filter(id => id !== otherBoxOf(cable, view.box.id)),
    [record, view.box.id, cable],
  )
  const [boxId, setBoxId] = useState<string | null>(null)
  const [there, setThere] = useState<string | null>(null)
  const [chosen, setChosen] = useState<Readonly<Record<string, string>>>({})
  const [settled, setSettled] = useState<Readonly<Record<string, Partial<Conductor>>>>({})
  const [room, setRoom] = useState(view.room.name)
  const [name, setName] = useState('')

  const candidates = boxId === null || boxId === NEW ? [] : mayBeTheSame(record, cable, boxId)
  // Nothing recorded there that it could be: then it is a cable nobody saw there yet.
  const thereId = candidates.length === 0 ? NONE : there
  const conductorsOf = (cableId: string, at: string) =>
    rowsWith(record, 'conductors', 'cableId', cableId).filter(({ id }) =>
      rowsWith(record, 'ends', 'conductorId', id).some(end => end.boxId === at),
    )
  const near = conductorsOf(cable.id, view.box.id)
  const match =
    boxId !== null && thereId !== null && thereId !== NONE
      ? matchedByColour(near, conductorsOf(thereId, boxId))
      : null
  const byHand = match ? pairsByHand(match.unclear, chosen) : []
  const pairs: Pair[] = match && byHand !== null ? [...match.pairs, ...byHand] : []
  const differing = pairs.flatMap(pair => differencesIn(pair).map(field => ({ pair, field })))
  const open =
    boxId === null ||
    thereId === null ||
    byHand === null ||
    differing.some(({ pair, field }) => settled[pair.near!.id]?.[field] === undefined) ||
    (boxId === NEW && (room.trim() === '' || name.trim() === ''))

  const choose = (id: string) => {
    setBoxId(id)
    setThere(null)
    setChosen({})
    setSettled({})
  }
  const link = () => {
    const link = { cableId: cable.id, fromBoxId: view.box.id, pairs, settled }
    if (boxId === NEW) {
      const newBoxId = edits.newId()
      const into = roomNamed(edits, record, room, view.room.floor)
      const box = { id: newBoxId, roomId: into.id, name: name.trim(), gangs: 1 }
      const added = controlBoxAdded(edits, record, box, room.trim())
      const done = edits.send('link a cable', [
        ...into.edits,
        ...added,
        ...linked(edits, record, { ...link, toBoxId: newBoxId, toCableId: null }),
      ])
      if (done) onClose()
      return
    }
    const done = edits.send(
      'link a cable',
      linked(edits, record, { ...link, toBoxId: boxId!, toCableId: thereId === NONE ? null : thereId }),
    )
    if (done) onClose()
  }
  const rest = likely.slice(SHOWN)
  return (
    <Sheet
      title={say`Cable ${cable.name} leads to`}
      open
      onClose={onClose}
      footer={<Button look="main" disabled={open} onClick={link}>{say`It is one cable`}</Button>}
    >
      <PickOne
        label={say`Which box?`}
        value={boxId}
        options={[
          ...likely.slice(0, SHOWN).map(id => ({ value: id, words: boxNamed(record, record.boxes[id]!) })),
          { value: NEW, words: say`One not recorded yet` },
        ]}
        onCommit={choose}
      />
      {rest.length > 0 && (
        <SelectField
          label={say`Or farther off`}
          value={boxId !== null && rest.includes(boxId) ? boxId : ''}
          options={[
            { value: '', words: say`Choose` },
            ...rest.map(id => ({ value: id, words: boxNamed(record, record.boxes[id]!) })),
          ]}
          onCommit={id => id !== '' && choose(id)}
        />
      )}
      {boxId === NEW && (
        <div className="grid grid-cols-2 gap-3">
          <TextField
            label={say`Room`}
            value={room}
            max={80}
            required
            suggestions={rowsOf(record, 'rooms').map(each => each.name)}
            onCommit={setRoom}
            live
          />
          <TextField label={say`Where it is`} value={name} max={80} required onCommit={setName} live />
        </div>
      )}
      {candidates.length > 0 && (
        <PickOne
          label={say`Which cable is it there?`}
          value={there}
          options={[
            ...candidates.map(each => ({
              value: each.id,
              words: say`Cable ${each.name}`,
              mark: (
                <span className="flex -space-x-1">
                  {rowsWith(record, 'conductors', 'cableId', each.id).map(({ id, insulation }) => (
                    <Chip key={id} insulation={insulation} />
                  ))}
                </span>
              ),
            })),
            { value: NONE, words: say`Not recorded there yet` },
          ]}
          onCommit={id => {
            setThere(id)
            setChosen({})
            setSettled({})
          }}
        />
      )}
      {match && (
        <PairedByHand
          unclear={match.unclear}
          chosen={chosen}
          onChoose={(near, far) => setChosen({ ...chosen, [near]: far })}
        />
      )}
      <Settled
        differing={differing}
        settled={settled}
        onSettle={(id, value) => setSettled({ ...settled, [id]: { ...settled[id], ...value } })}
      />
    </Sheet>
  )
}

/** Conductors whose colours do not say which is which: somebody does. */
function PairedByHand({
  unclear: { near, far },
  chosen,
  onChoose,
}: {
  unclear: Unclear
  chosen: Readonly<Record<string, string>>
  onChoose: (near: string, far: string) => void
}) {
  const say = useSay()

  return (
    <>
      {near.map((one, at) => (
        <PickOne
          key={one.id}
          label={say`${capital(say(INSULATION_WORDS[one.insulation]))}${twinNumber(near, at)} is there`}
          value={chosen[one.id] ?? null}
          options={[
            ...far.map((other, index) => ({
              value: other.id,
              words: `${say(INSULATION_WORDS[other.insulation])}${twinNumber(far, index)}`,
              mark: <Chip insulation={other.insulation} />,
            })),
            { value: NONE, words: say`not seen there` },
          ]}
          onCommit={id => onChoose(one.id, id)}
        />
      ))}
      {near.length > 1 && far.length > 1 && (
        <p className="text-sm text-soft">{say`Colors do not tell these apart: follow them with continuity, dead and apart, before you say.`}</p>
      )}
    </>
  )
}

/** What was recorded of a conductor at its two ends and cannot both be so: one of them is taken. */
function Settled({
  differing,
  settled,
  onSettle,
}: {
  differing: readonly { readonly pair: Pair; readonly field: Differing }[]
  settled: Readonly<Record<string, Partial<Conductor>>>
  onSettle: (id: string, value: Partial<Conductor>) => void
}) {
  const say = useSay()

  return differing.map(({ pair, field }) => {
    const near = pair.near!
    const [here, there] = [near[field], pair.far![field]].map(value => valueWords(say, field, value)!)
    return (
      <PickOne
        key={`${near.id}/${field}`}
        label={say`${capital(say(INSULATION_WORDS[near.insulation]))}: the two ends were recorded differently. Which is right?`}
        value={valueWords(say, field, settled[near.id]?.[field])}
        options={[
          { value: here!, words: say`${here!} (here)` },
          { value: there!, words: say`${there!} (there)` },
        ]}
        onCommit={value => onSettle(near.id, { [field]: (value === here ? near : pair.far!)[field] })}
      />
    )
  })
}

/** Conductors of a cable, at either end, that their colours do not tell. */
interface Unclear {
  readonly near: readonly Conductor[]
  readonly far: readonly Conductor[]
}

/** What a person paired; null while something is left to say, or two are said to be one. */
function pairsByHand(unclear: Unclear, chosen: Readonly<Record<string, string>>): Pair[] | null {
  const taken = Object.values(chosen).filter(id => id !== NONE)
  if (new Set(taken).size < taken.length) return null
  if (unclear.near.some(({ id }) => chosen[id] === undefined)) return null
  return [
    ...unclear.near.map((one): Pair => ({
      near: one,
      far: unclear.far.find(({ id }) => id === chosen[one.id]) ?? null,
    })),
    ...unclear.far.filter(({ id }) => !taken.includes(id)).map((far): Pair => ({ near: null, far })),
  ]
}

/** The number of a conductor among those of its colour, where there are several. */
function twinNumber(all: readonly Conductor[], at: number): string {
  const { insulation } = all[at]!
  const twins = all.filter(each => each.insulation === insulation)
  return twins.length > 1
    ? ` ${all.slice(0, at + 1).filter(each => each.insulation === insulation).length}`
    : ''
}

function valueWords(say: Say, field: Differing, value: Conductor[Differing] | undefined): string | null {
  if (value === undefined) return null
  return typeof value === 'boolean'
    ? value
      ? 'faded'
      : say`not faded`
    : field === 'gauge'
      ? value
      : say(plain(value))
}
