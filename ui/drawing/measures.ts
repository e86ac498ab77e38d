/** How large everything is drawn, in drawing units: a unit is a pixel where a drawing is as wide as it was laid out. */
export interface Measures {
  /** Height of a letter. */
  readonly word: number
  /** Between neighbouring strands. */
  readonly lane: number
  /** Between neighbouring devices. */
  readonly gap: number
  /** Of a device. */
  readonly device: number
}

/** Room on a desk of 1280 by 800 for the drawing of a box of one or two gangs, of three, of more. */
const DESK_WIDTHS = [575, 575, 680, 730] as const
const DESK_HEIGHT = 500
/** Words are no smaller than this on a desk, in pixels. */
const LEAST_WORD = 12.1
const USUAL_WORD = 13
const LARGEST_WORD = 30
/** No drawing is shown larger than this. */
export const LARGEST_SCALE = 1.4

const DEVICE_WIDTH = 142
/** Where many are crowded: whatever of these leaves the words largest, and whole. */
const LANES = [30, 22, 40, 48] as const
const DEVICE_WIDTHS = [142, 172] as const
/** Widths of letters, of their height. */
const LETTER = 0.53
const THIN_LETTER = 0.5

/** What may be tried for a box; the first is the best where several do. */
export const measuresFor = (gangs: number, isCrowded: boolean): readonly Measures[] =>
  gangs > 2 || isCrowded
    ? DEVICE_WIDTHS.flatMap(device =>
        // One gang is to stand upright on a phone.
        LANES.filter(lane => gangs > 1 || lane <= 30).map(lane => ({
          word: USUAL_WORD,
          lane,
          gap: gangs > 2 ? 46 : 52,
          device,
        })),
      )
    : [{ word: USUAL_WORD, lane: 40, gap: 52, device: DEVICE_WIDTH }]

interface Size {
  readonly width: number
  readonly height: number
}

const deskScale = (gangs: number, { width, height }: Size): number =>
  Math.min(DESK_WIDTHS[Math.min(gangs, DESK_WIDTHS.length) - 1]! / width, DESK_HEIGHT / height, LARGEST_SCALE)

/** Height of a letter on a desk, in pixels; what is more than enough counts no more. */
export const deskWord = (measures: Measures, gangs: number, size: Size): number =>
  Math.min(LEAST_WORD, measures.word * deskScale(gangs, size))

/** Measures with words large enough for a drawing of this size on a desk; null where they are. */
export function legible(measures: Measures, gangs: number, size: Size): Measures | null {
  const scale = deskScale(gangs, size)
  if (measures.word * scale >= LEAST_WORD || measures.word >= LARGEST_WORD) return null
  return { ...measures, word: Math.min(LARGEST_WORD, (LEAST_WORD + 0.4) / scale) }
}

/** Between rows of flags. */
export const flagStep = (measures: Measures): number => 2 * flagHeight(measures) + 3
export const flagWidth = ({ word }: Measures, words: string): number => words.length * word * LETTER + 14
/** Half of it. */
export const flagHeight = ({ word }: Measures): number => word * 0.7

/** Letters of a device’s name in one line, and between its lines. */
export const nameLetters = ({ word, device }: Measures): number => Math.floor((device - 8) / (word * LETTER))
export const nameLine = ({ word }: Measures): number => word + 3
/** From a device’s head to its first terminal. */
export const deviceHead = (measures: Measures): number => 17 + 2 * nameLine(measures) + measures.word * 0.55
/** Letters of a terminal’s word in one line, and between its lines. */
export const terminalLetters = ({ word, device }: Measures): number =>
  Math.floor((device - 24) / (word * THIN_LETTER))
export const terminalLine = ({ word }: Measures): number => word + 1
/** Between terminals whose words take so many lines. */
export const terminalStep = (measures: Measures, lines: number): number =>
  Math.max(24, lines * terminalLine(measures) + 6)

export const jointWidth = ({ word }: Measures): number => (58 * word) / USUAL_WORD
export const jointStep = (measures: Measures): number => jointWidth(measures) + 10

/** Outside the wall of the box: the mouths of its cables, and their names. */
export const outsideOf = ({ word }: Measures): number => 33 + word
export const nameWidth = ({ word }: Measures, name: string): number => name.length * word * LETTER
/** Between the middles of two cables whose names stand side by side. */
export const cableStep = (measures: Measures, one: string, other: string): number =>
  Math.max(CABLE_STEP, (nameWidth(measures, one) + nameWidth(measures, other)) / 2 + 14)
const CABLE_STEP = 118
