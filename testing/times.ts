/** How many times as much random growing as usual is asked for: 1 but in long runs. */
export const TIMES = Number(process.env['TIMES'] ?? 1)
