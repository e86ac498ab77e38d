import { readdir, readFile } from 'node:fs/promises'
import path from 'node:path'
import type { RowDataPacket } from 'mysql2/promise'
import { parseJobFile, type JobFile } from '@/core/format/job-file'
import { isDuplicate, pool } from './database'
import { replaceJob, storeJobFile } from './jobs'

const SUFFIX = '.everyroom.json'

/** The demo jobs of a folder, read through the open format like anybody's file. */
async function demoFile(folder: string, name: string): Promise<JobFile> {
  const parsed = parseJobFile(await readFile(path.join(folder, name + SUFFIX), 'utf8'))
  if (!parsed.ok)
    throw new Error(`demo ${name}: ${parsed.faults.map(each => `${each.path} ${each.message}`).join('; ')}`)
  return parsed.value
}

/** Loads demo jobs that were never loaded; one that a person has changed or removed is left as it is. */
export async function loadDemoOnce(folder: string): Promise<string[]> {
  const [rows] = await pool().query<RowDataPacket[]>('SELECT name FROM demos_loaded')
  const loaded = new Set(rows.map(row => String(row.name)))
  const names = (await readdir(folder))
    .filter(file => file.endsWith(SUFFIX))
    .map(file => file.slice(0, -SUFFIX.length))
  const fresh: string[] = []
  for (const name of names.sort()) {
    if (loaded.has(name)) continue
    const file = await demoFile(folder, name)
    try {
      await storeJobFile(file, { jobId: name, demo: name })
      fresh.push(name)
    } catch (error) {
      if (!isDuplicate(error)) throw error
    }
    await pool().execute('INSERT IGNORE INTO demos_loaded (name) VALUES (?)', [name])
  }
  return fresh
}

/** Puts one demo job back as it was shipped. Only ever asked for by a person. */
export async function resetDemo(folder: string, name: string): Promise<boolean> {
  const [rows] = await pool().query<RowDataPacket[]>('SELECT id FROM jobs WHERE demo = ?', [name])
  const jobId = rows[0]?.id
  if (!jobId) return false
  await replaceJob(await demoFile(folder, name), { jobId: String(jobId), demo: name })
  return true
}
