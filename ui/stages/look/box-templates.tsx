'use client'

import { useMemo } from 'react'
import type { BoxView } from '@/core/job/box-view'
import type { Gauge } from '@/core/model/vocabulary'
import { useEdits, useTrade } from '../../job/provider'
import { Button } from '../../primitives/button'
import { templateEdits, templatesFor, type BoxTemplate } from '@/core/recording'
import { TemplateSketch } from './template-sketch'
import { useSay } from '../../words/use-say'

/** What is usually found behind a plate, whole: one press records it, the drawing corrects it. */
export function BoxTemplates({ view, gauge }: { view: BoxView; gauge: Gauge }) {
  const say = useSay()

  const trade = useTrade()
  const edits = useEdits(view.box.id)
  const templates = useMemo(() => templatesFor(view, trade), [view, trade])
  if (templates.length === 0) return null
  const record = (template: BoxTemplate) =>
    edits.send('add a cable', templateEdits(edits, view, trade, template, gauge))
  return (
    <div data-next="templates" className="flex flex-col gap-2">
      <p className="text-sm font-semibold">{say`What is usually found`}</p>
      <div className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-2">
        {templates.map(template => (
          <Button key={template.id} onClick={() => record(template)} className="flex-col !gap-1 !px-2">
            <TemplateSketch template={template} />
            <span className="text-center text-sm">{say(template.words)}</span>
          </Button>
        ))}
      </div>
    </div>
  )
}
