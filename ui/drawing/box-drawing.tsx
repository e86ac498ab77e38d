'use client'

import { memo, useContext, useId, useMemo, useState } from 'react'
import { Device, Joint } from './fittings'
import { Large } from './large'
import { LargerButton } from './larger-button'
import { layoutBox, type BoxLayout } from './layout'
import { LARGEST_SCALE } from './measures'
import type { BoxPicture } from './picture'
import { Flag, Sheath, ShortWire, Strand } from './strands'
import { useSay } from '../words/use-say'

/** Words where a drawing was asked to be larger, in pixels. */
const LARGE_WORD = 12.5

interface BoxDrawingProps {
  readonly picture: BoxPicture
  /** The strand that is chosen, or those of one net. */
  readonly selected?: string | readonly string[] | null
  /** Called with the id of a strand; without it the drawing is only looked at. */
  readonly onSelect?: (id: string) => void
  /** Terminals can be chosen too where this is given. */
  readonly onTerminal?: (deviceId: string, terminalId: string) => void
  /** Ends that the leads of an instrument go to, in their order. */
  readonly probes?: readonly string[]
}

/** The opened box: cables in, strands fanned in the insulation seen, joints, devices, tape flags. */
export function BoxDrawing({ picture, selected = null, onSelect, onTerminal, probes = [] }: BoxDrawingProps) {
  const say = useSay()

  const layout = useMemo(() => layoutBox(picture), [picture])
  const { width, height } = layout
  const id = useId()
  // On a phone the whole box is seen first, beside what is to be done; its parts at a press.
  const given = useContext(Large)
  const [own, setOwn] = useState(false)
  const large = given ?? own
  return (
    <div className="relative">
      <div
        className={`overflow-auto ${large ? 'max-wide:max-h-[45svh]' : ''}`}
        tabIndex={0}
        role="region"
        aria-label={say`Drawing: ${picture.title}`}
      >
        <svg
          viewBox={`0 0 ${width} ${height}`}
          role="group"
          aria-labelledby={`${id}-title`}
          className={`box-drawing mx-auto block h-auto w-full wide:max-h-[calc(100dvh-var(--above,14.5rem))] [@media(max-height:32rem)]:wide:max-h-[calc(100dvh-4.5rem)] ${large ? '' : 'max-wide:max-h-[36svh]'}`}
          style={{
            minWidth: large ? (width * LARGE_WORD) / layout.measures.word : undefined,
            maxWidth: width * LARGEST_SCALE,
          }}
        >
          <title id={`${id}-title`}>{picture.title}</title>
          <EarthPattern id={`${id}-earth`} />
          <BoxWires
            picture={picture}
            layout={layout}
            earth={`${id}-earth`}
            selected={selected}
            onSelect={onSelect}
          />
          <BoxFittings layout={layout} earth={`${id}-earth`} onTerminal={onTerminal} />
          {layout.cables
            .flatMap(cable => cable.strands)
            .filter(({ strand }) => probes.includes(strand.id))
            .map(({ strand, tip }) => (
              <Probe key={strand.id} at={tip} number={probes.indexOf(strand.id) + 1} />
            ))}
        </svg>
      </div>
      {given === null && (
        <LargerButton
          large={own}
          onChange={setOwn}
          className={width > height ? 'mt-1 ml-auto' : 'absolute right-0 bottom-0'}
        />
      )}
    </div>
  )
}

/** Where a lead of an instrument touches. */
export function Probe({ at, number }: { at: { readonly x: number; readonly y: number }; number: number }) {
  return (
    <g pointerEvents="none" data-probe={number}>
      <circle cx={at.x} cy={at.y} r={15} className="fill-plum stroke-paper" strokeWidth={2} />
      <text
        x={at.x}
        y={at.y + 5}
        textAnchor="middle"
        className="fill-on-plum text-[14px] font-bold"
        aria-hidden="true"
      >
        {number}
      </text>
    </g>
  )
}

/** Green and yellow in stripes; the one pattern every drawing refers to. */
export function EarthPattern({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width="10" height="10" patternUnits="userSpaceOnUse">
        <rect width="10" height="10" fill="var(--wire-green)" />
        <rect width="5" height="10" fill="var(--wire-yellow)" />
      </pattern>
    </defs>
  )
}

interface BoxPartsProps extends BoxDrawingProps {
  readonly layout: BoxLayout
  readonly earth: string
}

/** The lower half of one opened box, to be put into a drawing: its walls, cables and conductors. */
export const BoxWires = memo(function BoxWires({
  picture,
  layout,
  earth,
  selected = null,
  onSelect,
  inGroup = false,
}: BoxPartsProps & { readonly inGroup?: boolean }) {
  const { box } = layout
  return (
    <>
      <rect
        x={box.x}
        y={box.y}
        width={box.width}
        height={box.height}
        rx={picture.metal ? 4 : 18}
        className="fill-box stroke-ink"
        strokeWidth={picture.metal ? 4 : 2}
      />
      {picture.metal && (
        <rect
          x={box.x + 6}
          y={box.y + 6}
          width={box.width - 12}
          height={box.height - 12}
          rx={2}
          fill="none"
          className="stroke-ink"
          strokeDasharray="2 6"
        />
      )}
      {layout.cables.map(cable => (
        <Sheath
          key={cable.cable.id}
          drawn={cable}
          measures={layout.measures}
          edge={cable.top ? box.y : box.y + box.height}
          beside={inGroup}
        />
      ))}
      {layout.plates.map(plate => (
        <rect
          key={plate.x}
          {...plate}
          rx={14}
          className="fill-paper stroke-soft"
          strokeWidth={1.4}
          opacity={0.7}
        />
      ))}
      {layout.short.map(({ id: wire, path }) => (
        <ShortWire key={wire} layout={layout} picture={picture} id={wire} path={path} earth={earth} />
      ))}
      {layout.cables.flatMap(cable =>
        cable.strands.map(strand => (
          <Strand
            key={strand.strand.id}
            drawn={strand}
            earth={earth}
            selected={
              typeof selected === 'string'
                ? selected === strand.strand.id
                : (selected?.includes(strand.strand.id) ?? false)
            }
            onSelect={onSelect}
          />
        )),
      )}
    </>
  )
})

/** The upper half: joints, devices and flags, over whatever was drawn along the conductors. */
export const BoxFittings = memo(function BoxFittings({
  layout,
  earth,
  onTerminal,
}: Pick<BoxPartsProps, 'layout' | 'earth' | 'onTerminal'>) {
  return (
    <>
      {layout.joints.map(joint => (
        <Joint key={joint.joint.id} drawn={joint} earth={earth} measures={layout.measures} />
      ))}
      {layout.devices.map(device => (
        <Device key={device.device.id} drawn={device} measures={layout.measures} onTerminal={onTerminal} />
      ))}
      {layout.cables.flatMap(cable =>
        cable.strands.map(strand => (
          <Flag key={strand.strand.id} drawn={strand} measures={layout.measures} />
        )),
      )}
    </>
  )
})
