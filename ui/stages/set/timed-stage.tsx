'use client'

import type { ReactNode } from 'react'
import type { BoxView, PlaceView } from '@/core/job/box-view'
import type { ClockSheet, DeviceModel } from '@/core/model/device'
import { ProgramPart } from '../../programs/program-part'
import { useProgram } from '../../programs/use-program'
import { YearDrawing } from '../../programs/year-drawing'
import { StageFrame } from '../stage-frame'
import { SettingsOf } from './settings-of'

/** The settings of a clock beside the year of its light; beside its wires as long as no program is made. */
export function TimedStage({
  view,
  place,
  model,
  clock,
  wired,
  children,
}: {
  view: BoxView
  place: PlaceView
  model: DeviceModel
  clock: ClockSheet
  wired: ReactNode
  /** Above all of it. */
  children?: ReactNode
}) {
  const programming = useProgram(view, place, model, clock)
  const { year, yearNumber, from } = programming
  return (
    <StageFrame
      view={view}
      stage="set"
      drawing={
        year ? (
          <YearDrawing year={year} yearNumber={yearNumber} light={place.group.name} from={from} />
        ) : (
          wired
        )
      }
    >
      {children}
      <ProgramPart view={view} place={place} programming={programming} />
      <SettingsOf view={view} />
    </StageFrame>
  )
}
