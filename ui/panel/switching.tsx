'use client'

import type { Breaker } from '@/core/model/entities'
import { rowsWith } from '@/core/model/record'
import { newSwitching } from '../job/new-reading'
import { BackFeed } from '../house/back-feed'
import { usePowerHolds } from '../job/use-power-holds'
import { Button } from '../primitives/button'
import { BeforeOn } from '../stages/safety/before-on'
import { LockOff } from '../stages/safety/lock-off'
import { LocksOn } from '../stages/safety/locks-on'
import { holdersIn, useLocks } from '../stages/safety/use-locks'
import { onWords } from '../stages/safety/use-switched-on'
import { switchName } from '../words/switch-name'
import { isSwitchedOff } from '@/core/safety'
import { capital } from '@/core/words/capital'
import { useSay } from '../words/use-say'

/** How a breaker, or the main switch (null), stands as far as was recorded, and the next time it is thrown. */
export function Switching({ circuit }: { circuit: Breaker | null }) {
  const say = useSay()

  const { record, edits, lock, on } = useLocks(null)
  usePowerHolds(true)
  const id = circuit?.id ?? null
  const last = rowsWith(record, 'switchings', 'circuitId', id)
    .filter(({ struck }) => struck === null)
    .at(-1)
  const isOff = isSwitchedOff(record, id)
  const name = capital(switchName(record, id))
  const throwIt = (to: 'on' | 'off', foundSo: boolean) =>
    edits.send('switch a breaker', [edits.add('switchings', newSwitching(id, to, { foundSo }))])
  const keptOff = (keyWith: string) =>
    edits.send('lock a breaker off', [
      ...(isOff ? [] : [edits.add('switchings', newSwitching(id, 'off'))]),
      lock(id, keyWith),
    ])
  const several = holdersIn(record, [id]).length > 1
  return (
    <fieldset className="flex flex-col gap-2">
      <legend className="text-sm font-semibold">
        {name}:{' '}
        {last?.to === 'off' && !isOff
          ? say`not known: somebody switched it off, and somebody else on meanwhile`
          : last
            ? say`${last.foundSo ? say`found ` : ''}${say(last.to)}, as recorded`
            : say`nothing recorded of how it stands`}
      </legend>
      <LocksOn circuitIds={[id]} boxId={null} />
      {isOff && <BeforeOn record={record} circuitIds={[id]} />}
      <div className="flex flex-wrap gap-2">
        <Button onClick={() => throwIt('off', false)}>{say`Switched off`}</Button>
        <Button disabled={several} onClick={() => edits.send('switch a breaker', on([id]))}>
          {onWords(record, [id], say`Switched on`)}
        </Button>
        <Button onClick={() => throwIt('on', true)}>{say`Found on`}</Button>
      </div>
      <LockOff of={name} onLock={keptOff} />
    </fieldset>
  )
}

/** The main switch, as a part of the panel’s page. */
export const MainSwitch = () => {
  const say = useSay()
  return (
    <section aria-label={say`Main switch`} className="mt-4 rounded-xl bg-sheet p-4">
      <Switching circuit={null} />
      <div className="mt-3">
        <BackFeed />
      </div>
    </section>
  )
}
