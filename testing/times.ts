/** How many times as much random growing as usual is asked for: 1 but in long runs. */
export const TIMES = Number(process.env['TIMES'] ?? 1)

/** One in so many of all cases, spread evenly; in long runs all. */
export const someOf = <Case>(all: readonly Case[], oneIn: number, from = 0): Case[] =>
  all.filter((_, at) => TIMES > 1 || (at + from) % oneIn === 0)
