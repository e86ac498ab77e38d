import load from 'highs'
import type { Solver } from '@/core/whole'

/** The optimiser, loaded once; it blocks whoever asks it, so it is asked in a worker. */
export async function highsSolver(): Promise<Solver> {
  const highs = await load()
  return (problem, seconds) => {
    const { Status, ObjectiveValue, Columns } = highs.solve(problem, {
      time_limit: seconds,
      mip_rel_gap: 1e-4,
      presolve: 'on',
    })
    const infeasible = Status === 'Infeasible' || Status === 'Primal infeasible or unbounded'
    return {
      status: Status === 'Optimal' ? 'optimal' : infeasible ? 'infeasible' : 'stopped',
      objective: ObjectiveValue,
      values: Object.fromEntries(
        Object.entries(Columns).map(([name, column]) => [
          name,
          'Primal' in column ? (column.Primal ?? 0) : 0,
        ]),
      ),
    }
  }
}
