'use client'

import { useEffect, useState } from 'react'
import Chart from 'react-apexcharts'
import { figure } from '@/core/model/units'
import { nonce } from '../browser/served-with'
import { heightOf, type Bars } from './bars'

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

/** Bars of one unit, a group of them for each row, one of each kind. */
export function DrawnBars({ kinds, rows, unit }: Bars) {
  const { ink, plum, rule, isDark } = useInk()
  const most = Math.max(...rows.flatMap(({ figures }) => figures))
  return (
    <Chart
      type="bar"
      height={heightOf({ kinds, rows })}
      series={kinds.map((name, at) => ({ name, data: rows.map(({ figures }) => figures[at]!) }))}
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
        plotOptions: { bar: { horizontal: true, barHeight: '82%', dataLabels: { position: 'top' } } },
        dataLabels: {
          enabled: true,
          textAnchor: 'start',
          offsetX: 8,
          style: { fontSize: '13px', fontWeight: 400, colors: [ink] },
          background: { enabled: false },
          formatter: value => (Number(value) === 0 ? '' : `${figure(Number(value), 2)} ${unit}`),
        },
        grid: { borderColor: rule, xaxis: { lines: { show: false } }, yaxis: { lines: { show: false } } },
        legend: { position: 'top', horizontalAlign: 'left', fontSize: '15px', labels: { colors: ink } },
        states: { hover: { filter: { type: 'none' } }, active: { filter: { type: 'none' } } },
        tooltip: { enabled: false },
        // A narrow one leaves the figures as much room as the bars.
        responsive: [{ breakpoint: 640, options: { xaxis: { max: most * 2.2 } } }],
        xaxis: {
          categories: rows.map(({ words }) => words),
          max: most * 1.35,
          labels: { show: false },
          axisBorder: { show: false },
          axisTicks: { show: false },
        },
        yaxis: { labels: { maxWidth: 150, style: { fontSize: '14px', colors: ink } } },
      }}
    />
  )
}
