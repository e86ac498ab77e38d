import { useSyncExternalStore } from 'react'
import { Button } from './button'
import { useSay } from '../words/use-say'

const subscribe = (changed: () => void) => {
  if (!('speechSynthesis' in window)) return () => undefined
  window.speechSynthesis.addEventListener('voiceschanged', changed)
  return () => window.speechSynthesis.removeEventListener('voiceschanged', changed)
}

/** A voice of this device: one that is spoken elsewhere would send away what is said. */
const ownVoice = () =>
  'speechSynthesis' in window
    ? window.speechSynthesis
        .getVoices()
        .find(({ localService, lang }) => localService && lang.toLowerCase().startsWith('en'))
    : undefined

/** By its name: the voices themselves are others each time they are asked for. */
const ownVoiceName = () => ownVoice()?.voiceURI ?? null

/** Says it to whoever is not looking: a helper at the panel. Not there where the device has no voice of its own. */
export function SayAloud({ says }: { says: string }) {
  const say = useSay()

  const name = useSyncExternalStore(subscribe, ownVoiceName, () => null)
  if (name === null) return null
  const speak = () => {
    const said = new SpeechSynthesisUtterance(says)
    said.voice = ownVoice() ?? null
    window.speechSynthesis.cancel()
    window.speechSynthesis.speak(said)
  }
  return <Button aria-label={say`Say it aloud: ${says}`} onClick={speak}>{say`Say it aloud`}</Button>
}
