import mysql, { type Pool, type PoolConnection } from 'mysql2/promise'

/** Where the database is; `./start` sets it to the project's own server. */
export const databaseUrl = (): string => {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set: run ./start, or point it at a MariaDB of your own')
  return url
}

/** As who may change tables; the application itself reads and writes rows only. */
export const ownerUrl = (): string => process.env.MIGRATE_URL ?? databaseUrl()

/** One of each a process: what stands alone is written at once, a transaction begins with its first statement. */
const holder = globalThis as { everyRoomPool?: Pool; everyRoomTransactions?: Pool }

/** Times in UTC, numbers as numbers. */
const newPool = (): Pool =>
  mysql.createPool({
    uri: databaseUrl(),
    connectionLimit: 8,
    timezone: 'Z',
    decimalNumbers: true,
    dateStrings: true,
    charset: 'utf8mb4_bin',
    // Where a statement was asked from is not drawn up for each of them, in case it fails: what failed is in its message.
    trace: false,
  })

/** For statements that stand alone. */
export const pool = (): Pool => (holder.everyRoomPool ??= newPool())

const transactions = (): Pool => (holder.everyRoomTransactions ??= newPool())

const beginByThemselves = new WeakSet<object>()

/** One on which a transaction begins with its first statement: it need not be begun. */
async function inNoTransaction(): Promise<PoolConnection> {
  const db = await transactions().getConnection()
  if (beginByThemselves.has(db.connection)) return db
  try {
    await db.query('SET autocommit = 0')
  } catch (error) {
    db.destroy()
    throw error
  }
  beginByThemselves.add(db.connection)
  return db
}

export async function closePool(): Promise<void> {
  await Promise.all([holder.everyRoomPool?.end(), holder.everyRoomTransactions?.end()])
  delete holder.everyRoomPool
  delete holder.everyRoomTransactions
}

/** Deadlock, certification failure at commit, node not ready, and lost connections: the whole is tried again. */
const WORTH_ANOTHER_TRY = new Set<unknown>([
  'ER_LOCK_DEADLOCK',
  'ER_LOCK_WAIT_TIMEOUT',
  'ER_ERROR_DURING_COMMIT',
  'ER_UNKNOWN_COM_ERROR',
  'PROTOCOL_CONNECTION_LOST',
  'ECONNRESET',
  'EPIPE',
])
const TRIES = 8

const codeOf = (error: unknown): unknown => (error as { code?: unknown } | null)?.code

/**
 * Runs `work` in one transaction, again as a whole where the server asks for that. `work` must bear
 * being run twice: it finds its own earlier effect by the ids the client made.
 */
export async function inTransaction<Value>(work: (db: PoolConnection) => Promise<Value>): Promise<Value> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await once(work)
    } catch (error) {
      if (attempt >= TRIES || !WORTH_ANOTHER_TRY.has(codeOf(error))) throw error
      await new Promise(resolve => setTimeout(resolve, (10 + Math.random() * 20) * 1.7 ** attempt))
    }
  }
}

async function once<Value>(work: (db: PoolConnection) => Promise<Value>): Promise<Value> {
  const db = await inNoTransaction()
  try {
    const value = await work(db)
    await db.commit()
    return value
  } catch (error) {
    await db.rollback().catch(() => db.destroy())
    throw error
  } finally {
    db.release()
  }
}

/** The database is not there, or has no room for one more: it will be again. */
const AWAY = new Set<unknown>([
  'ECONNREFUSED',
  'ECONNRESET',
  'ENOENT',
  'ETIMEDOUT',
  'EPIPE',
  'PROTOCOL_CONNECTION_LOST',
  'ER_CON_COUNT_ERROR',
  'ER_SERVER_SHUTDOWN',
])
export const isAway = (error: unknown): boolean => AWAY.has(codeOf(error))

/** True for a row that exists already: a command sent again. */
export const isDuplicate = (error: unknown): boolean => codeOf(error) === 'ER_DUP_ENTRY'
