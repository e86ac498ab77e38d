import type { BoxTemplate, TemplateCable } from '@/core/recording'

const CABLE_WIDTH = 32

/** Its cables as they come in, above and below, with the colours in each. */
export function TemplateSketch({ template: { cables } }: { template: BoxTemplate }) {
  const above = cables.filter(({ entry }) => entry === 'top')
  const below = cables.filter(({ entry }) => entry === 'bottom')
  const width = Math.max(above.length, below.length) * CABLE_WIDTH + 4
  return (
    <svg width={width} height="52" viewBox={`0 0 ${width} 52`} aria-hidden="true" className="shrink-0">
      <rect
        x="1"
        y="14"
        width={width - 2}
        height="24"
        rx="3"
        fill="none"
        stroke="currentColor"
        strokeWidth="1.5"
      />
      <Cables cables={above} width={width} from={1} to={22} />
      <Cables cables={below} width={width} from={51} to={30} />
    </svg>
  )
}

function Cables({
  cables,
  width,
  from,
  to,
}: {
  cables: readonly TemplateCable[]
  width: number
  from: number
  to: number
}) {
  const left = (width - cables.length * CABLE_WIDTH) / 2
  return cables.flatMap((cable, at) =>
    cable.strands.map(([insulation], strand) => {
      const x = left + at * CABLE_WIDTH + CABLE_WIDTH / 2 + (strand - (cable.strands.length - 1) / 2) * 7
      const path = `M${x} ${from} V${to}`
      return (
        <g key={`${at}/${strand}`}>
          <path d={path} stroke="currentColor" strokeWidth="5.6" />
          <path
            d={path}
            stroke={`var(--wire-${insulation === 'green-yellow' ? 'green' : insulation})`}
            strokeWidth="3.6"
          />
        </g>
      )
    }),
  )
}
