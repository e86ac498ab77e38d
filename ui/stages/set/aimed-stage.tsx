'use client'

import type { ReactNode } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import { StageFrame } from '../stage-frame'
import { AimDrawing, AimPart, useAiming, type Aiming } from './aim'
import { part } from '../../primitives/part'
import { SettingsOf } from './settings-of'

const LivingPart = part(() => import('./living').then(module => module.LivingPart))

/** The settings of a sensor beside its room, with what it sees of it. */
export function AimedStage({
  view,
  place,
  found,
  children,
}: {
  view: BoxView
  place: PlaceView
  found: Aiming['found']
  /** Above all of it. */
  children?: ReactNode
}) {
  const aiming = useAiming(view, place, found)
  return (
    <StageFrame view={view} stage="set" drawing={<AimDrawing aiming={aiming} />}>
      {children}
      <AimPart view={view} aiming={aiming} />
      <SettingsOf view={view} />
      <LivingPart view={view} place={place} aiming={aiming} />
    </StageFrame>
  )
}
