import type { CSSProperties } from 'react'

/** Where a room lies on its floor. */
export interface At {
  readonly column: number
  readonly row: number
}

/** A floor, its rooms in columns of one width. */
export const FLOOR = 'grid grid-cols-[repeat(var(--columns),minmax(0,1fr))]'

export const columnsOf = (columns: number) => ({ '--columns': columns }) as CSSProperties

/** `from`: so many columns and rows stand before the first of the floor. */
export const cellOf = ({ column, row }: At, from = 0) => ({
  gridColumn: column + 1 + from,
  gridRow: row + 1 + from,
})
