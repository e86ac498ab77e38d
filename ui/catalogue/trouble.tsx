import { Button } from '../primitives/button'
import type { CatalogueTrouble } from './use-catalogue'
import { useSay } from '../words/use-say'

const MOST_SHOWN = 50

/** Why nothing was changed: every fault with its place, the first fifty of very many. */
export function Trouble({ trouble, onClose }: { trouble: CatalogueTrouble; onClose: () => void }) {
  const say = useSay()

  const { says, faults } = trouble
  return (
    <div role="alert" className="hazard mt-4 rounded-lg bg-sheet px-4 py-3">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <p className="font-semibold">{says}</p>
        <Button onClick={onClose}>{say`Put it away`}</Button>
      </div>
      {faults.length > 0 && (
        <ul className="mt-1 list-disc pl-5">
          {faults.slice(0, MOST_SHOWN).map(({ path, message }) => (
            <li key={path + message}>
              <strong>{path}</strong>: {message}
            </li>
          ))}
        </ul>
      )}
      {faults.length > MOST_SHOWN && <p>{say`And ${faults.length - MOST_SHOWN} more.`}</p>}
    </div>
  )
}
