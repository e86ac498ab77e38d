/** The paint of an insulation; `earth`: id of the pattern for the one of two colours. */
export const wireColour = (insulation: string, earth: string): string =>
  insulation === 'green-yellow' ? `url(#${earth})` : `var(--wire-${insulation})`
