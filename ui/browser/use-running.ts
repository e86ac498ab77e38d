import { useSyncExternalStore } from 'react'

const never = () => () => {}

/** True once the page runs in a browser: what needs one is not offered before, and what one knows is not said before. */
export const useRunning = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
