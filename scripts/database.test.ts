import { execFile } from 'node:child_process'
import { mkdtemp, readdir, rm, stat, writeFile } from 'node:fs/promises'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { promisify } from 'node:util'
import mysql, { type RowDataPacket } from 'mysql2/promise'
import { afterEach, describe, expect, it } from 'vitest'

/* The database of the project’s own, started as ./start does, in a folder of this test. */

const root = path.resolve(import.meta.dirname, '..')
const run = promisify(execFile)
const folders: string[] = []

const freePort = () =>
  new Promise<number>(resolve => {
    const server = createServer().listen(0, '127.0.0.1', () => {
      const { port } = server.address() as { port: number }
      server.close(() => resolve(port))
    })
  })

/** Bash with the functions of the project, in a data folder; what it prints. */
async function bash(data: string, script: string): Promise<string> {
  const whole = `set -uo pipefail; DATA='${data}'; . scripts/common.sh; ${script}`
  const { stdout } = await run('bash', ['-c', whole], { cwd: root, timeout: 100_000 })
  return stdout.trim()
}

const started = async (data: string, port: number) => {
  const [app, owner] = (
    await bash(data, `start_database db ${port}; disown -a; printf '%s\\n%s' "$DATABASE_URL" "$MIGRATE_URL"`)
  ).split('\n')
  return { app: app!, owner: owner! }
}

const stopped = (data: string) =>
  bash(
    data,
    `DB_DIR="$DATA/db"; mariadb-admin --no-defaults --socket="$DB_DIR/db.sock" --user="$(id -un)" shutdown; while [ -S "$DB_DIR/db.sock" ]; do sleep 0.1; done`,
  )

async function folder(): Promise<string> {
  const made = await mkdtemp(path.join(tmpdir(), 'every-room-'))
  folders.push(made)
  return made
}

async function asked(url: string, sql: string): Promise<RowDataPacket[]> {
  const db = await mysql.createConnection({ uri: url })
  try {
    const [rows] = await db.query<RowDataPacket[]>(sql)
    return rows
  } finally {
    await db.end()
  }
}

afterEach(async () => {
  for (const data of folders.splice(0)) {
    await stopped(data).catch(() => undefined)
    await rm(data, { recursive: true, force: true })
  }
}, 60_000)

describe('a folder', () => {
  it('is served from once, and again when that one ended, however it did', async () => {
    const data = await folder()
    const another = `bash -c "DATA='${data}'; . scripts/common.sh; alone start" && echo free || echo taken`
    expect(await bash(data, `alone start; ${another}`)).toBe('taken')
    expect(await bash(data, `(alone start; kill -9 $BASHPID); ${another}`)).toBe('free')
  })

  it('is told of a port that is taken', async () => {
    const data = await folder()
    const port = await freePort()
    const taken = createServer().listen(port, '127.0.0.1')
    expect(await bash(data, `free ${port} 127.0.0.1 && echo free || echo taken`)).toBe('taken')
    await new Promise(resolve => taken.close(resolve))
    expect(await bash(data, `free ${port} 127.0.0.1 && echo free || echo taken`)).toBe('free')
  })
})

describe('the database of the project’s own', () => {
  it('is for its owner alone: no passwords missing, no files, tables changed only by migrations', async () => {
    const data = await folder()
    const port = await freePort()
    const { app, owner } = await started(data, port)
    await asked(owner, 'CREATE TABLE kept (id INT PRIMARY KEY)')
    await asked(app, 'INSERT INTO kept VALUES (7)')
    expect(await asked(app, 'SELECT id FROM kept')).toEqual([{ id: 7 }])
    for (const sql of [
      'DROP TABLE kept',
      'CREATE TABLE more (id INT)',
      'ALTER TABLE kept ADD x INT',
      'TRUNCATE kept',
    ])
      await expect(asked(app, sql)).rejects.toMatchObject({ code: 'ER_TABLEACCESS_DENIED_ERROR' })
    for (const user of ['root', 'everyroom', 'everyroom_owner', ''])
      await expect(asked(`mysql://${user}@127.0.0.1:${port}/everyroom`, 'SELECT 1')).rejects.toMatchObject({
        code: 'ER_ACCESS_DENIED_ERROR',
      })
    await expect(asked(app, "SELECT 'x' INTO OUTFILE '/tmp/x'")).rejects.toMatchObject({
      code: 'ER_SPECIFIC_ACCESS_DENIED_ERROR',
    })
    const modes = async (name: string) => ((await stat(path.join(data, name))).mode & 0o777).toString(8)
    expect(await modes('db')).toBe('700')
    for (const file of ['db/password', 'db/owner-password', 'db/server.log', 'db-install.log'])
      expect([file, await modes(file)]).toEqual([file, '600'])
  }, 120_000)

  it('keeps what it holds, whatever lies beside it is gone', async () => {
    const data = await folder()
    const port = await freePort()
    const { owner } = await started(data, port)
    await asked(owner, 'CREATE TABLE kept (id INT PRIMARY KEY)')
    await asked(owner, 'INSERT INTO kept VALUES (7)')
    await stopped(data)
    for (const name of await readdir(path.join(data, 'db')))
      if (name !== 'data') await rm(path.join(data, 'db', name), { recursive: true })
    await writeFile(path.join(data, 'db', 'password'), '')
    const again = await started(data, port)
    expect(await asked(again.app, 'SELECT id FROM kept')).toEqual([{ id: 7 }])
  }, 120_000)

  it('is started once by two at the same time, and by one that was cut short while preparing', async () => {
    const data = await folder()
    const port = await freePort()
    await bash(data, 'mkdir -p "$DATA/db/data.new/mysql"; : >"$DATA/db/data.new/half"')
    const [one, other] = await Promise.all([started(data, port), started(data, port)])
    expect(one).toEqual(other)
    expect(await asked(one.app, 'SELECT 1 AS yes')).toEqual([{ yes: 1 }])
    expect(await readdir(path.join(data, 'db', 'data'))).not.toContain('half')
  }, 120_000)

  it('of an older release, its root without a password, is taken over with all it holds', async () => {
    const data = await folder()
    const port = await freePort()
    await bash(
      data,
      `PATH="$PATH:/usr/sbin"; DB_DIR="$DATA/db"; mkdir -p "$DB_DIR"
       mariadb-install-db --no-defaults --datadir="$DB_DIR/data" --auth-root-authentication-method=normal --user="$(id -un)" --skip-test-db >/dev/null 2>&1
       ADMIN=$(command -v mariadb-admin); run_server ${port} >/dev/null
       client --user=root -e "CREATE DATABASE everyroom; CREATE TABLE everyroom.kept (id INT); INSERT INTO everyroom.kept VALUES (7); CREATE USER 'everyroom'@'localhost' IDENTIFIED BY 'old'; GRANT ALL ON everyroom.* TO 'everyroom'@'localhost'"
       stop_database`,
    )
    const { app } = await started(data, port)
    expect(await asked(app, 'SELECT id FROM kept')).toEqual([{ id: 7 }])
    await expect(asked(`mysql://root@127.0.0.1:${port}/everyroom`, 'SELECT 1')).rejects.toMatchObject({
      code: 'ER_ACCESS_DENIED_ERROR',
    })
  }, 120_000)
})
