'use client'

import type { OutsideEvent } from '@/core/model/device'
import type { Action, Seen } from '@/core/trial'
import { Button } from '../primitives/button'
import { Part } from '../primitives/titled-part'
import type { Scene } from './scene'
import { stateWords } from './state-words'
import { EVENT_WORDS } from './words'
import { useSay } from '../words/use-say'

const EVERYWHERE = [
  ['presence', 'Someone comes in'],
  ['vacancy', 'Everybody leaves'],
  ['elapsed', 'Time goes by'],
  ['dusk', 'Dusk'],
  ['dawn', 'Dawn'],
  ['humid', 'It gets humid'],
  ['dry', 'It dries'],
] as const

/** Everything the drawing lets a hand do, as buttons in words: for a thumb, a keyboard or a screen reader. */
export function Controls({
  scene,
  seen,
  disabled,
  onDo,
  onAct,
}: {
  scene: Scene
  seen: Seen
  disabled: boolean
  onDo: (device: string, event: OutsideEvent) => void
  onAct: (action: Action) => void
}) {
  const say = useSay()

  const answers = new Set<string>(seen.devices.flatMap(({ events }) => events))
  const around = EVERYWHERE.filter(([event]) =>
    scene.circuit.devices.some(({ model }) => model.control.some(each => each.event === event)),
  )
  return (
    <>
      <Part
        title={say`Work it`}
        aside={
          <span className="flex gap-2">
            <Button
              disabled={disabled || seen.steps === 0}
              onClick={() => onAct({ kind: 'back' })}
            >{say`One back`}</Button>
            <Button
              disabled={disabled || seen.steps === 0}
              onClick={() => onAct({ kind: 'start-again' })}
            >{say`Start again`}</Button>
          </span>
        }
      >
        <ul className="flex flex-col divide-y divide-rule">
          {scene.circuit.devices.map(({ id, name, model }) => {
            const device = seen.devices.find(each => each.id === id)
            const words = stateWords(say, seen.state[id])
            return (
              <li key={id} className="flex flex-wrap items-center justify-between gap-2 py-2">
                <span className="min-w-0">
                  <span className="block font-semibold">{name ?? id}</span>
                  <span className="block text-sm text-soft">
                    {model.name}
                    {words && <strong className="text-ink"> · {words}</strong>}
                    {model.supply.length > 0 && device && !device.alive && say` · without power`}
                    {device?.indicator && say` · its small light is on`}
                  </span>
                </span>
                <span className="flex flex-wrap gap-2">
                  {device?.events
                    .filter(event => !around.some(([each]) => each === event) || event === 'presence')
                    .map(event => (
                      <Button key={event} disabled={disabled} onClick={() => onDo(id, event)}>
                        {say(EVENT_WORDS[event])}
                      </Button>
                    ))}
                </span>
              </li>
            )
          })}
        </ul>
        {around.length > 0 && (
          <div className="flex flex-wrap gap-2" role="group" aria-label={say`In the whole house`}>
            {around.map(([event, words]) => (
              <Button
                key={event}
                disabled={disabled || !answers.has(event)}
                onClick={() => onAct({ kind: 'everywhere', event })}
              >
                {words}
              </Button>
            ))}
          </div>
        )}
      </Part>
      <Part title={say`Breakers`}>
        <div className="flex flex-wrap gap-2">
          {seen.breakers.map(({ id, stands }) => (
            <Button
              key={id}
              aria-pressed={stands === 'on'}
              disabled={disabled}
              onClick={() => onAct({ kind: 'breaker', supply: id, to: stands === 'on' ? 'off' : 'on' })}
            >
              {id.charAt(0).toUpperCase() + id.slice(1)}: {say(stands)}
            </Button>
          ))}
        </div>
      </Part>
    </>
  )
}
