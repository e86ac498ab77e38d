import Papa from 'papaparse'

/** What a spreadsheet would take for a formula, whatever follows on other lines of the cell. */
const FORMULA = /^[=+\-@\t\r\n]/

/** A table as CSV that opens in any spreadsheet as text and figures, never as formulas. */
export const csvOf = (rows: readonly (readonly (string | number | null)[])[]): string =>
  `${Papa.unparse(rows as (string | number | null)[][], { escapeFormulae: FORMULA })}\r\n`
