'use client'

import { Link } from '../job/link'
import { useMemo } from 'react'
import { figure } from '@/core/model/units'
import { ruleChanges } from '@/core/plan'
import { boxName } from '../day/words'
import { useJob, useTrade } from '../job/provider'
import { Button } from '../primitives/button'
import { VERDICT_WORDS } from '../primitives/marks'
import { useSay } from '../words/use-say'

/** What another answer would change in the open plans, box by box; taken or left. */
export function RuleChanges({
  ruleId,
  value,
  onTake,
  onLeave,
}: {
  ruleId: string
  value: string
  onTake: () => void
  onLeave: () => void
}) {
  const say = useSay()

  const trade = useTrade()
  const { record } = useJob()
  const changes = useMemo(() => ruleChanges(record, ruleId, value, trade), [record, ruleId, value, trade])
  return (
    <div role="group" aria-label={say`What it changes`} className="mt-3 rounded-lg border-2 border-plum p-3">
      {changes.length === 0 ? (
        <p>{say`No open plan changes.`}</p>
      ) : (
        <>
          <p className="font-bold">
            {say.count(changes.length, 'One open plan changes', '# open plans change')}
          </p>
          <ul
            className="mt-1 max-h-72 divide-y divide-rule overflow-y-auto"
            tabIndex={0}
            aria-label={say`Open plans`}
          >
            {changes.map(({ boxId, added, gone, minutes, wirable, verdicts, settings, wants }) => (
              <li key={boxId} className="py-2">
                <Link
                  href={`/jobs/${record.job.id}/boxes/${boxId}/wire`}
                  className="font-semibold underline decoration-rule underline-offset-4"
                >
                  {boxName(record, boxId)}
                </Link>
                {Math.abs(minutes) >= 0.05 && (
                  <span className="text-soft">{say` ${minutes > 0 ? '+' : '−'}${figure(Math.abs(minutes), 1)} min`}</span>
                )}
                <ul className="text-sm">
                  {wirable[0] !== wirable[1] && (
                    <li>
                      <strong>
                        {wirable[1] ? say`It can then be wired` : say`It can no longer be wired`}
                      </strong>
                    </li>
                  )}
                  {verdicts.map(({ name, before, after }) => (
                    <li key={name}>
                      {name}: {VERDICT_WORDS[before].toLowerCase()} →{' '}
                      <strong>{VERDICT_WORDS[after].toLowerCase()}</strong>
                    </li>
                  ))}
                  {wants.map(({ name, does }) => (
                    <li key={`${name} wants`}>
                      {name}: <strong>{does === 'then' ? say`then does` : say`no longer does`}</strong>
                      {say` what is wanted here`}
                    </li>
                  ))}
                  {settings.map(each => (
                    <li key={each.name}>
                      {each.name}: {each.before} → <strong>{each.after}</strong>
                    </li>
                  ))}
                  {gone.map(says => (
                    <li key={`- ${says}`} className="line-through decoration-1">
                      {says}
                    </li>
                  ))}
                  {added.map(says => (
                    <li key={`+ ${says}`}>
                      <strong>{say`New:`}</strong> {says}
                    </li>
                  ))}
                </ul>
              </li>
            ))}
          </ul>
        </>
      )}
      <div className="mt-3 flex gap-2">
        <Button look="main" onClick={onTake}>{say`Make the change`}</Button>
        <Button onClick={onLeave}>{say`Leave it`}</Button>
      </div>
    </div>
  )
}
