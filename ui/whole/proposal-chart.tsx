'use client'

import { useEffect, useState } from 'react'
import Chart from 'react-apexcharts'
import { figure } from '@/core/model/units'
import type { ProposalKind, Totals } from '@/core/whole'
import { PROPOSAL_WORDS, TOTAL_WORDS } from './words'
import { nonce } from '../primitives/served-with'
import { useSay } from '../words/use-say'

/** Colours of the page as it is now; anew when the theme changes. */
function useInk() {
  const [ink, setInk] = useState(read)
  useEffect(() => {
    const watch = new MutationObserver(() => setInk(read()))
    watch.observe(document.documentElement, { attributes: true, attributeFilter: ['data-theme'] })
    return () => watch.disconnect()
  }, [])
  return ink
}

function read() {
  const style = getComputedStyle(document.documentElement)
  const of = (name: string) => style.getPropertyValue(name).trim()
  return {
    ink: of('--ink'),
    plum: of('--plum'),
    rule: of('--rule'),
    isDark: document.documentElement.dataset.theme === 'dark',
  }
}

/** The proposals against each other: each figure as a share of the largest of its kind. */
export function ProposalChart({
  totals,
  currency,
}: {
  totals: readonly { readonly kind: ProposalKind; readonly totals: Totals }[]
  currency: string
}) {
  const say = useSay()

  const { ink, plum, rule, isDark } = useInk()
  const rows = (Object.keys(TOTAL_WORDS) as (keyof Totals)[]).filter(row =>
    totals.some(each => each.totals[row] > 0),
  )
  const most = (row: keyof Totals) => Math.max(...totals.map(each => each.totals[row]))
  const said = (at: number, which: number) => {
    const row = rows[which]!
    const value = totals[at]!.totals[row]
    return row === 'price' ? `${figure(value, 2)} ${currency}` : figure(value, 0)
  }
  return (
    <figure
      role="img"
      aria-label={say`Each figure of the proposals beside the largest of its kind; the table says them all`}
      className="rounded-xl bg-sheet p-3"
    >
      <Chart
        type="bar"
        height={rows.length * 66 + 60}
        series={totals.map(each => ({
          name: say(PROPOSAL_WORDS[each.kind]),
          data: rows.map(row => Math.round((each.totals[row] / most(row)) * 1000) / 10),
        }))}
        options={{
          chart: {
            nonce,
            animations: { enabled: false },
            toolbar: { show: false },
            zoom: { enabled: false },
            background: 'transparent',
            fontFamily: 'inherit',
            foreColor: ink,
          },
          theme: { mode: isDark ? 'dark' : 'light' },
          colors: [ink, plum, rule],
          fill: { type: 'solid', opacity: 1 },
          stroke: { show: true, width: 1.5, colors: [ink] },
          plotOptions: { bar: { horizontal: true, barHeight: '78%', dataLabels: { position: 'top' } } },
          dataLabels: {
            enabled: true,
            textAnchor: 'start',
            offsetX: 8,
            style: { fontSize: '13px', fontWeight: 400, colors: [ink] },
            background: { enabled: false },
            formatter: (_, { seriesIndex, dataPointIndex }) => said(seriesIndex, dataPointIndex),
          },
          grid: { borderColor: rule, xaxis: { lines: { show: false } }, yaxis: { lines: { show: false } } },
          legend: { position: 'top', horizontalAlign: 'left', fontSize: '15px', labels: { colors: ink } },
          states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
          tooltip: { enabled: false },
          xaxis: {
            categories: rows.map(row => say(TOTAL_WORDS[row])),
            max: 165,
            labels: { show: false },
            axisBorder: { show: false },
            axisTicks: { show: false },
          },
          yaxis: { labels: { maxWidth: 120, style: { fontSize: '14px', colors: ink } } },
        }}
      />
    </figure>
  )
}
