/** How everything is written into looks; its width is its own. */
export const FIELD_LOOK = 'min-h-11 rounded-lg border-[1.5px] border-ink/50 bg-sheet px-3'
