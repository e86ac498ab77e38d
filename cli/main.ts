import { readFile } from 'node:fs/promises'
import { createInterface } from 'node:readline'
import { trade } from '@/catalogue'
import { answer, converse } from './answer'

const [verb, file, ...rest] = process.argv.slice(2)

/** JSON on standard output; 0 for a yes, 1 for a *no*, 2 for bad input. */
async function main(): Promise<number> {
  const source = file === undefined ? null : await readFile(file, 'utf8').catch(() => null)
  if (verb === 'identify' && file !== undefined && rest.includes('--interactive')) return talk(file, source)
  const { code, output } = answer(verb, file, source, rest, trade)
  console.log(JSON.stringify(output, null, 2))
  return code
}

/** One line of JSON out, one in, until there are no more. */
async function talk(path: string, source: string | null): Promise<number> {
  const begun = converse(path, source, rest, trade)
  if (!begun.ok) {
    console.log(JSON.stringify(begun.answer.output))
    return begun.answer.code
  }
  const { value: talking } = begun
  console.log(JSON.stringify(talking.state))
  for await (const line of createInterface({ input: process.stdin }))
    if (line.trim() !== '') console.log(JSON.stringify(talking.line(line)))
  return talking.state.conductors.every(({ proof }) => proof === 'proven') ? 0 : 1
}

process.exitCode = await main()
