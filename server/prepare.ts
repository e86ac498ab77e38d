import path from 'node:path'
import { backUpBeforeChange } from './backup'
import { seedCatalogue } from './catalogue'
import { closePool } from './database'
import { loadDemoOnce } from './demo'
import { migrate } from './migrate'

/** Run before serving: schema up to date, the catalogue and the demo jobs there. All do nothing the second time. */
const root = path.resolve(import.meta.dirname, '..')
const migrations = path.join(root, 'server/migrations')
const folder = process.env.BACKUP_FOLDER
const before = folder ? await backUpBeforeChange(folder, migrations) : null
if (before) console.log(`Backup before the tables change: ${before}`)
const applied = await migrate(migrations)
for (const name of applied) console.log(`Migrated: ${name}`)
const devices = await seedCatalogue()
if (devices > 0)
  console.log(devices === 1 ? `Put 1 device into the catalogue` : `Put ${devices} devices into the catalogue`)
for (const name of await loadDemoOnce(path.join(root, 'demo'))) console.log(`Loaded the demo job ${name}`)
await closePool()
