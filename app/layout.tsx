import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/atkinson-hyperlegible-mono'
import type { Metadata, Viewport } from 'next'
import { cookies } from 'next/headers'
import type { ReactNode } from 'react'
import { THEME_COOKIE } from '@/ui/job/theme'
import './globals.css'

export const metadata: Metadata = {
  title: { default: 'Every Room', template: '%s · Every Room' },
  description: 'Look, test, choose, wire, set and prove residential lighting controls, box by box.',
}

export const viewport: Viewport = { width: 'device-width', initialScale: 1 }

export default async function RootLayout({ children }: { children: ReactNode }) {
  const theme = (await cookies()).get(THEME_COOKIE)?.value === 'dark' ? 'dark' : 'paper'
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>{children}</body>
    </html>
  )
}
