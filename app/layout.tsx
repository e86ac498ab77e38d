import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import type { Metadata, Viewport } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { regionOf } from '@/core/model/regions'
import { REGION_IDS } from '@/core/model/vocabulary'
import { THEME_COOKIE } from '@/ui/job/theme'
import { Language } from '@/ui/words/language'
import { isLoopback } from '@/server/who'
import '@/ui/primitives/nonce'
import { OpenToAll } from '@/ui/primitives/open-to-all'
import { REGION_COOKIE } from '@/ui/words/region-cookie'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Every Room', template: '%s · Every Room' },
  description: 'Look, test, choose, wire, set and prove residential lighting controls, box by box.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const kept = await cookies()
  const theme = kept.get(THEME_COOKIE)?.value === 'dark' ? 'dark' : 'paper'
  const regionId = REGION_IDS.find(id => id === kept.get(REGION_COOKIE)?.value) ?? REGION_IDS[0]
  return (
    <html lang={regionOf(regionId).language.locale} data-theme={theme} suppressHydrationWarning>
      <body>
        <Language regionId={regionId}>
          {!isLoopback(process.env.HOSTNAME ?? '127.0.0.1') && <OpenToAll />}
          {children}
        </Language>
      </body>
    </html>
  )
}
