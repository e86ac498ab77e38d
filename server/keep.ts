import { access } from 'node:fs/promises'
import path from 'node:path'
import { BackupFault, backUp, restore } from './backup'

/** `backup FILE` and `restore FILE`, from the command line. */
const MIGRATIONS = path.resolve(import.meta.dirname, 'migrations')

async function main([verb, given]: readonly string[]): Promise<number> {
  const file = given ?? `every-room-${new Date().toISOString().slice(0, 10)}.everyroom-backup`
  const isThere = await access(file).then(
    () => true,
    () => false,
  )
  try {
    if (verb === 'backup') {
      if (isThere)
        throw new BackupFault('there is a file of that name already, and nothing is written over it')
      const { rows } = await backUp(file)
      console.log(`Kept ${rows} rows in ${file}`)
      return 0
    }
    if (!given || !isThere) throw new BackupFault('there is no such file')
    const { rows } = await restore(file, MIGRATIONS)
    console.log(`Restored ${rows} rows, read back and found equal. ./start serves them.`)
    return 0
  } catch (error) {
    if (!(error instanceof BackupFault)) throw error
    console.error(`Nothing was done with ${file}: ${error.message}.`)
    return 2
  }
}

process.exitCode = await main(process.argv.slice(2))
