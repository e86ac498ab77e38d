'use client'

import { useContext, useMemo, useState } from 'react'
import { Large } from '../../drawing/large'
import type { BoxView } from '@/core/job/box-view'
import { GroupDrawing } from '../../group/group-drawing'
import { layoutGroup } from '../../group/layout'
import { foundScene, plannedScene, type Scene } from '../../group/scene'
import { useTrial } from '../../group/use-trial'
import { useTrade } from '../../job/provider'
import { useSay } from '../../words/use-say'

const NO_WAY: ReadonlySet<string> = new Set()

/** All boxes of a light with the cables between them, as chosen or as found; a tap works a place. */
export function LightDrawing({ view }: { view: BoxView }) {
  const say = useSay()

  const trade = useTrade()
  const scene = useMemo(() => {
    const planned = plannedScene(view, trade)
    if (planned) return planned
    const found = foundScene(view.record, view.box.id, trade)
    return found.ok ? found.value : null
  }, [view, trade])
  // The job may be fetched anew without another circuit: what was worked by hand then goes on.
  const edition = useMemo(() => JSON.stringify(scene?.circuit), [scene])
  return scene ? (
    <Drawn key={edition} scene={scene} />
  ) : (
    <p className="rounded-xl bg-sheet p-4">{say`The light can be drawn whole once its conductors have roles.`}</p>
  )
}

function Drawn({ scene: given }: { scene: Scene }) {
  const [scene] = useState(given)
  const layout = useMemo(() => layoutGroup(scene), [scene])
  const large = useContext(Large) ?? false
  const { seen, act } = useTrial(scene.circuit)
  const work = (device: string) => {
    const events = seen?.devices.find(each => each.id === device)?.events ?? []
    const event = (['toggle', 'press', 'release'] as const).find(each => events.includes(each))
    if (event) void act({ kind: 'do', device, event })
  }
  const breaker = (supply: string) => {
    const stands = seen?.breakers.find(each => each.id === supply)?.stands
    void act({ kind: 'breaker', supply, to: stands === 'on' ? 'off' : 'on' })
  }
  return (
    <div
      className={`overflow-auto rounded-xl bg-sheet p-2 ${
        large
          ? '[&>svg]:!w-auto [&>svg]:max-w-none max-wide:max-h-[45svh]'
          : 'max-wide:[&>svg]:h-auto max-wide:[&>svg]:max-h-[34svh] max-wide:[&>svg]:w-full wide:[&>svg]:!w-auto wide:[&>svg]:max-w-none'
      }`}
    >
      {seen && (
        <GroupDrawing
          layout={layout}
          seen={seen}
          nominalVolts={scene.circuit.nominalVolts}
          way={NO_WAY}
          probes={[]}
          onPlace={work}
          onBreaker={breaker}
        />
      )}
    </div>
  )
}
