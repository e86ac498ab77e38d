import { readFile } from 'node:fs/promises'
import { trade } from '@/catalogue'
import { answer } from './answer'

const [verb, file, ...rest] = process.argv.slice(2)

/** JSON on standard output; 0 for a yes, 1 for a *no*, 2 for bad input. */
async function main(): Promise<number> {
  const source = file === undefined ? null : await readFile(file, 'utf8').catch(() => null)
  const { code, output } = answer(verb, file, source, rest, trade)
  console.log(JSON.stringify(output, null, 2))
  return code
}

process.exitCode = await main()
