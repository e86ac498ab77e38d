const PAUSE_MILLISECONDS = 1000
const MOST_TRIES = 60

/**
 * A part of a page that comes later, asked for again while it does not come: without a connection the page stands without
 * it, and has it once there is one.
 */
export async function keptTrying<Part>(load: () => Promise<Part>): Promise<Part> {
  for (let tries = 1; ; tries++) {
    try {
      return await load()
    } catch (error) {
      // With a connection it would have come by now: it is not there.
      if (tries >= MOST_TRIES && navigator.onLine) throw error
      await aPause()
    }
  }
}

const aPause = (): Promise<void> =>
  new Promise(resolve => {
    const go = () => {
      window.clearTimeout(timer)
      window.removeEventListener('online', go)
      resolve()
    }
    const timer = window.setTimeout(go, PAUSE_MILLISECONDS)
    window.addEventListener('online', go)
  })
