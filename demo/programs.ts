import { USUAL_PROGRAMS } from '@/catalogue/usual-programs'
import type { Program } from '@/core/model/light-program'

/** By the place of the clock that keeps it. */
export const QUILLBACK_PROGRAMS: Readonly<Record<string, Program>> = {
  'box-veranda-1': USUAL_PROGRAMS['dusk-to-23:00']!,
}
