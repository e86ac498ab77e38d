'use client'

import { useEffect, type ReactNode } from 'react'
import { regionOf } from '@/core/model/regions'
import type { RegionId } from '@/core/model/vocabulary'
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
