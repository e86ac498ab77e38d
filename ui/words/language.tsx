'use client'

import { useEffect, type ReactNode } from 'react'
import { regionOf } from '@/core/model/regions'
import { REGION_IDS, type RegionId } from '@/core/model/vocabulary'
import { useRunning } from '../browser/use-running'
import { REGION_COOKIE } from './region-cookie'
import { LanguageContext } from './use-say'

/** All that is below speaks as people do in a region. */
export const Language = ({ regionId, children }: { regionId: RegionId; children: ReactNode }) => (
  <LanguageContext value={regionOf(regionId).language}>{children}</LanguageContext>
)

/** Keeps the region of the job that is open, for the pages of no job. */
export function useKeptRegion(regionId: RegionId): void {
  useEffect(() => {
    document.cookie = `${REGION_COOKIE}=${regionId}; path=/; max-age=31536000; samesite=lax`
    document.documentElement.lang = regionOf(regionId).language.locale
  }, [regionId])
}

const SHIPPED: RegionId = REGION_IDS[0]
export const SHIPPED_LANGUAGE = regionOf(SHIPPED).language.locale

const lastRegion = (): RegionId =>
  REGION_IDS.find(id => document.cookie.split('; ').includes(`${REGION_COOKIE}=${id}`)) ?? SHIPPED

/** Pages of no job speak as the job that was open last does. */
export function LastLanguage({ children }: { children: ReactNode }) {
  const running = useRunning()
  const regionId = running ? lastRegion() : SHIPPED
  useEffect(() => {
    document.documentElement.lang = regionOf(regionId).language.locale
  }, [regionId])
  return <Language regionId={regionId}>{children}</Language>
}
