'use client'

import { Sheet } from '../primitives/sheet'
import { SHORTCUTS } from './shortcuts'
import { useSay } from '../words/use-say'

export function Help({ onClose }: { onClose: () => void }) {
  const say = useSay()

  return (
    <Sheet title={say`Keys`} open onClose={onClose}>
      <dl className="grid grid-cols-[auto_1fr] items-center gap-x-4 gap-y-2">
        {SHORTCUTS.map(({ key, says }) => (
          <div key={key} className="contents">
            <dt>
              <kbd className="inline-block min-w-9 rounded border-[1.5px] border-ink/60 bg-sheet px-2 py-0.5 text-center font-mono">
                {key}
              </kbd>
            </dt>
            <dd>{say(says)}</dd>
          </div>
        ))}
      </dl>
      <p className="text-soft">{say`In the drawing, Tab goes from conductor to conductor and Enter takes one.`}</p>
    </Sheet>
  )
}
