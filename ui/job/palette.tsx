'use client'

import { useMemo, useState, type KeyboardEvent } from 'react'
import { rowsOf } from '@/core/model/record'
import { FIELD_LOOK } from '../primitives/field-look'
import { Sheet } from '../primitives/sheet'
import { useJob } from './provider'
import { SHORTCUTS, type Action } from './shortcuts'
import { useSay } from '../words/use-say'
import { goTo } from './link'

interface Entry {
  readonly id: string
  readonly says: string
  readonly hint: string
  readonly run: () => void
}

/** Find by typing: boxes by room or name, and everything that has a key. */
export function Palette({
  base,
  boxId,
  act,
  onClose,
}: {
  base: string
  boxId: string | null
  act: (action: Action) => void
  onClose: () => void
}) {
  const say = useSay()

  const { record } = useJob()
  const [text, setText] = useState('')
  const [at, setAt] = useState(0)
  const entries = useMemo<Entry[]>(() => {
    const boxes = rowsOf(record, 'boxes').map(box => ({
      id: box.id,
      says: `${record.rooms[box.roomId]?.name ?? ''}: ${box.name}`,
      hint: say`Box`,
      run: () => goTo(`${base}/boxes/${box.id}/look`),
    }))
    const actions = SHORTCUTS.filter(
      each =>
        each.action.kind !== 'palette' &&
        (boxId || (each.action.kind !== 'stage' && each.action.kind !== 'try')),
    ).map(({ key, says, action }) => ({
      id: `key-${key}`,
      says: say(says),
      hint: key,
      run: () => act(action),
    }))
    return [...boxes, ...actions]
  }, [record, base, boxId, act, say])
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  const found = entries
    .filter(entry => words.every(word => entry.says.toLowerCase().includes(word)))
    .slice(0, 12)
  const chosen = Math.max(0, Math.min(at, found.length - 1))

  const run = (entry: Entry | undefined) => {
    if (!entry) return
    onClose()
    entry.run()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    // With nothing found there is nothing to go through.
    const around = (step: number) =>
      setAt(found.length === 0 ? 0 : (chosen + step + found.length) % found.length)
    if (event.key === 'ArrowDown') around(1)
    else if (event.key === 'ArrowUp') around(-1)
    else if (event.key === 'Enter') run(found[chosen])
    else return
    event.preventDefault()
  }
  return (
    <Sheet title={say`Find a box or an action`} open onClose={onClose}>
      <input
        autoFocus
        role="combobox"
        aria-expanded="true"
        aria-controls="palette-list"
        aria-activedescendant={found[chosen] ? `palette-${found[chosen].id}` : undefined}
        aria-label={say`Name of a room, a box, or an action`}
        value={text}
        onChange={event => {
          setText(event.target.value)
          setAt(0)
        }}
        onKeyDown={onKeyDown}
        className={FIELD_LOOK}
      />
      <ul id="palette-list" role="listbox" aria-label={say`Found`} className="flex flex-col">
        {found.map((entry, index) => (
          <li
            key={entry.id}
            id={`palette-${entry.id}`}
            role="option"
            aria-selected={index === chosen}
            onClick={() => run(entry)}
            className="flex min-h-11 cursor-pointer items-center justify-between gap-3 rounded-lg px-3 aria-selected:bg-plum aria-selected:text-on-plum"
          >
            <span>{entry.says}</span>
            <span className="font-mono text-sm">{entry.hint}</span>
          </li>
        ))}
      </ul>
      {found.length === 0 && <p role="status">{say`Nothing is called that here.`}</p>}
    </Sheet>
  )
}
