import path from 'node:path'
import { seedCatalogue } from './catalogue'
import { closePool } from './database'
import { loadDemoOnce } from './demo'
import { migrate } from './migrate'

/** Run before serving: schema up to date, the catalogue and the demo jobs there. All do nothing the second time. */
const root = path.resolve(import.meta.dirname, '..')
const applied = await migrate(path.join(root, 'server/migrations'))
for (const name of applied) console.log(`Migrated: ${name}`)
const devices = await seedCatalogue()
if (devices > 0) console.log(`Put ${devices} devices into the catalogue`)
for (const name of await loadDemoOnce(path.join(root, 'demo'))) console.log(`Loaded the demo job ${name}`)
await closePool()
