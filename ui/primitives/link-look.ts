/** A link that looks like a button: at least 44 pixels high. */
export const LINK_LOOK =
  'inline-flex min-h-11 items-center rounded-lg border-[1.5px] border-ink/60 bg-sheet px-4 font-semibold'

/** The one that goes on with the work. */
export const MAIN_LINK_LOOK =
  'inline-flex min-h-11 items-center self-start rounded-lg border-[1.5px] border-plum bg-plum px-4 font-semibold text-on-plum'
