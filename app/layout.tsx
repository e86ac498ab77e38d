import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import type { Metadata, Viewport } from 'next'
import type { ReactNode } from 'react'
import { preload } from 'react-dom'
import { EARLY_SCRIPT } from '@/ui/browser/early'
import '@/ui/browser/served-with'
import { OpenToAll } from '@/ui/primitives/open-to-all'
import { LastLanguage, SHIPPED_LANGUAGE } from '@/ui/words/language'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Every Room', template: '%s · Every Room' },
  description: 'Look, test, choose, wire, set and prove residential lighting controls, box by box.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

/** The letters of nearly every word: fetched at once, so that no line breaks anew when they come. */
const LETTERS = new URL(
  '@fontsource-variable/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-wght-normal.woff2',
  import.meta.url,
).pathname

/** Round every page: none of them holds anything of a person, so each is made once, and the same for everybody. */
export default function RootLayout({ children }: { children: ReactNode }) {
  preload(LETTERS, { as: 'font', type: 'font/woff2', crossOrigin: 'anonymous' })
  return (
    <html lang={SHIPPED_LANGUAGE} data-theme="paper" suppressHydrationWarning>
      <head>
        <script dangerouslySetInnerHTML={{ __html: EARLY_SCRIPT }} />
      </head>
      <body>
        <LastLanguage>
          <OpenToAll />
          {children}
        </LastLanguage>
      </body>
    </html>
  )
}
