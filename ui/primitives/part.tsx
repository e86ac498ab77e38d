import {
  createContext,
  lazy,
  Suspense,
  use,
  useContext,
  useEffect,
  useRef,
  useState,
  type ComponentType,
  type ReactNode,
} from 'react'
import { keptTrying } from '../browser/kept-trying'

/** So long a page that is opened waits for the parts it opens with; then it stands without them, and they come. */
const WAITS_MILLISECONDS = 1500

/** The page that a part is on: whether it stands already. */
const Page = createContext<{ readonly current: boolean }>({ current: true })

/** Every part there is so far that may be wanted without a connection. */
const kept = new Set<() => Promise<unknown>>()

/**
 * A part of a page with a script of its own. What a page opens with stands there from its first moment, so that nothing
 * moves under a thumb; what is opened later comes when it is, and is fetched before while there is a connection.
 */
export function part<Props extends object>(
  load: () => Promise<ComponentType<Props>>,
  {
    seldom = false,
    Coming = null,
  }: {
    /** It is large and only looked at: it is not fetched before it is shown, and no page waits for it. */
    seldom?: boolean
    /** What keeps its place meanwhile. */
    Coming?: ComponentType | null
  } = {},
): ComponentType<Props> {
  const { get, come, Later } = fetchedOnce(load)
  let waited: Promise<unknown> | null = null
  if (!seldom) kept.add(get)
  return function Part(props: Props) {
    const stands = useContext(Page)
    const [Now] = useState<ComponentType<Props> | null>(come)
    if (Now) return <Now {...props} />
    if (!stands.current && !seldom && !come()) use((waited ??= Promise.race([get(), aWhile()])))
    return (
      <Suspense fallback={Coming && <Coming />}>
        <Later {...props} />
      </Suspense>
    )
  }
}

/** A page with a script of its own, which is fetched when it is shown first, or before. */
export function page<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  const { get, come, Later } = fetchedOnce(load)
  return {
    load: get,
    Page: function OnePage(props: Props) {
      const [Now] = useState<ComponentType<Props> | null>(come)
      return (
        <Suspense fallback={<div data-coming />}>
          <Arriving>{Now ? <Now {...props} /> : <Later {...props} />}</Arriving>
        </Suspense>
      )
    },
  }
}

/** Within what waits for it: from the moment all of it is shown, nothing waits any more. */
function Arriving({ children }: { children: ReactNode }) {
  const stands = useRef(false)
  useEffect(() => {
    stands.current = true
  }, [])
  return <Page value={stands}>{children}</Page>
}

/** Fetches every part, and the parts of those. */
export async function everyPart(): Promise<void> {
  for (let before = -1; before !== kept.size;) {
    before = kept.size
    await Promise.allSettled([...kept].map(get => get()))
  }
}

function fetchedOnce<Props extends object>(load: () => Promise<ComponentType<Props>>) {
  let found: ComponentType<Props> | null = null
  let asked: Promise<ComponentType<Props>> | null = null
  const get = () =>
    (asked ??= keptTrying(load).then(
      component => (found = component),
      (error: unknown) => {
        asked = null
        throw error
      },
    ))
  return { get, come: () => found, Later: lazy(() => get().then(component => ({ default: component }))) }
}

const aWhile = (): Promise<void> => new Promise(resolve => setTimeout(resolve, WAITS_MILLISECONDS))
