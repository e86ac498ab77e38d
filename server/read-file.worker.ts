import { parentPort } from 'node:worker_threads'
import { parseJobFile } from '@/core/format/job-file'

/** Reads job files on a thread of its own, one after the other. */
parentPort!.on('message', (source: string) => parentPort!.postMessage(parseJobFile(source)))
