import type { DefectState } from '@/core/model/vocabulary'

export const STATE_WORDS: Readonly<Record<DefectState, string>> = {
  open: 'Open',
  mended: 'Mended in this visit',
  deferred: 'Handed over in writing',
  closed: 'Not a defect',
}
