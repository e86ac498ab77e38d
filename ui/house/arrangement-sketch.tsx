import { arranged, type Arrangement } from '@/core/recording'

const STEP = 46
const ROW = 46
const SIZE = 20

/** Switches in their row, where the feed comes in, where the lamp is; cables as thick as what is in them. */
export function ArrangementSketch({ arrangement }: { arrangement: Arrangement }) {
  const { nodes, cables } = arranged(arrangement)
  const width = nodes.length * STEP + 12
  const x = (node: number) => 6 + STEP / 2 + node * STEP
  return (
    <svg width={width} height="96" viewBox={`0 0 ${width} 96`} aria-hidden="true" className="shrink-0">
      {cables.map(({ from, to, nets }, at) => {
        const wires = nets.filter(net => net !== 'ground').length
        const path =
          to === 'panel'
            ? `M${x(from)} 92 V${ROW + SIZE / 2}`
            : to === 'lamp'
              ? `M${x(from)} ${ROW - SIZE / 2} V24`
              : `M${x(from) + SIZE / 2} ${ROW} H${x(to) - SIZE / 2}`
        return <path key={at} d={path} stroke="currentColor" strokeWidth={1 + wires} fill="none" />
      })}
      {cables.some(({ to }) => to === 'panel') &&
        cables.flatMap(({ from, to }) =>
          to === 'panel'
            ? [
                <path
                  key={from}
                  d={`M${x(from) - 6} 84 l6 -8 l6 8`}
                  fill="none"
                  stroke="currentColor"
                  strokeWidth="2"
                />,
              ]
            : [],
        )}
      {nodes.map((node, at) =>
        node.kind === 'place' ? (
          <g key={at}>
            <rect
              x={x(at) - SIZE / 2}
              y={ROW - SIZE / 2}
              width={SIZE}
              height={SIZE}
              rx="3"
              className="fill-sheet"
              stroke="currentColor"
              strokeWidth="1.8"
            />
            <text x={x(at)} y={ROW + 5} textAnchor="middle" className="fill-current text-[13px] font-bold">
              {node.place + 1}
            </text>
          </g>
        ) : (
          <Lamp key={at} x={x(at)} y={ROW} />
        ),
      )}
      {cables.map(({ from, to }, at) =>
        to === 'lamp' ? (
          <g key={at}>
            <Lamp x={x(from)} y={14} />
            {arrangement.feedAt === 'luminaire' && (
              <path
                d={`M${x(from) + 30} 14 h-18 m6 -5 l-6 5 l6 5`}
                fill="none"
                stroke="currentColor"
                strokeWidth="2"
              />
            )}
          </g>
        ) : null,
      )}
    </svg>
  )
}

function Lamp({ x, y }: { x: number; y: number }) {
  return (
    <>
      <circle cx={x} cy={y} r="10" className="fill-sheet" stroke="currentColor" strokeWidth="1.8" />
      <path
        d={`M${x - 7} ${y - 7} L${x + 7} ${y + 7} M${x + 7} ${y - 7} L${x - 7} ${y + 7}`}
        stroke="currentColor"
        strokeWidth="1.4"
      />
    </>
  )
}
