'use client'

import {
  createContext,
  useContext,
  useEffect,
  useMemo,
  useState,
  useSyncExternalStore,
  type ReactNode,
} from 'react'
import { boxView, type BoxView } from '@/core/job/box-view'
import type { CommandName, Edit } from '@/core/job/command'
import { versionOf } from '@/core/job/versions'
import type { EntityName } from '@/core/model/entities'
import type { Trade } from '@/core/model/trade'
import { holdPoints } from '@/core/plan'
import type { Pen } from '@/core/recording'
import { Language, useKeptRegion } from '../words/language'
import { browserWorld } from './browser-world'
import { useHearing } from './use-hearing'
import { newId } from './new-id'
import { fetchTrade, type OpenedJob } from './fetch-job'
import type { JobSnapshot, JobStore } from './job-store'
import { jobStore } from './store'
import { useKeeping } from './use-keeping'

const JobContext = createContext<JobStore | null>(null)
const TradeContext = createContext<Trade | null>(null)
const DemoContext = createContext(false)

export function JobProvider({ opened, children }: { opened: OpenedJob; children: ReactNode }) {
  const { demo, job } = opened
  const [store] = useState(() =>
    jobStore(job, [holdPoints(opened.trade)], browserWorld(job.record.job.id), opened),
  )
  useEffect(() => {
    store.start()
  }, [store])
  useHearing(store)
  const trade = useTradeOf(store, opened.trade)
  useKeeping(store, opened)
  return (
    <TradeContext value={trade}>
      <DemoContext value={demo}>
        <JobContext value={store}>
          <InItsLanguage>{children}</InItsLanguage>
        </JobContext>
      </DemoContext>
    </TradeContext>
  )
}

/** What the job can ask for: another region, other devices. */
function useTradeOf(store: JobStore, first: Trade): Trade {
  const [trade, setTrade] = useState(first)
  const { record, save } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot)
  const { id, regionId } = record.job
  const [ofRegion, setOfRegion] = useState(regionId)
  useEffect(() => {
    if (regionId === ofRegion || save !== 'saved') return
    let wanted = true
    void fetchTrade(id, store.snapshot())
      .then(found => {
        if (!wanted || !found) return
        setTrade(found)
        setOfRegion(regionId)
      })
      .catch(() => undefined)
    return () => {
      wanted = false
    }
  }, [store, id, regionId, ofRegion, save])
  return trade
}

/** A job speaks as its region does, from the moment that is said. */
function InItsLanguage({ children }: { children: ReactNode }) {
  const { regionId } = useJob().record.job
  useKeptRegion(regionId)
  return <Language regionId={regionId}>{children}</Language>
}

export function useStore(): JobStore {
  const store = useContext(JobContext)
  if (!store) throw new Error('useStore outside of a job')
  return store
}

/** The catalogue and the trade’s figures: data that comes with the job, not with the script. */
export function useTrade(): Trade {
  const trade = useContext(TradeContext)
  if (!trade) throw new Error('useTrade outside of a job')
  return trade
}

export const useDemo = (): boolean => useContext(DemoContext)

export function useJob(): JobSnapshot {
  const store = useStore()
  return useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot)
}

/** The box a page is about; null once it was removed. */
export function useBox(boxId: string): BoxView | null {
  return boxView(useJob().record, boxId)
}

/** Edits in the words of a form: add, change, remove, each with the version that was seen. */
export interface Edits extends Pen {
  /** Makes the edits at once and sends them; false where they are refused. */
  send(name: CommandName, edits: readonly Edit[]): boolean
  changeJob(fields: Extract<Edit, { entity: 'job' }>['fields']): Edit
}

export function useEdits(boxId: string | null): Edits {
  const store = useStore()
  return useMemo((): Edits => {
    const based = (entity: EntityName | 'job', id: string) =>
      versionOf(store.snapshot().versions, entity, id) ?? 1
    return {
      // What changes nothing is no command, and nothing to be taken back.
      send: (name, edits) => edits.length === 0 || store.send(name, boxId, edits),
      newId,
      add: (entity, row) => ({ kind: 'add', entity, row }) as unknown as Edit,
      change: (entity, id, fields) =>
        ({ kind: 'change', entity, id, based: based(entity, id), fields }) as unknown as Edit,
      changeJob: fields => {
        const { id } = store.snapshot().record.job
        return { kind: 'change', entity: 'job', id, based: based('job', id), fields } as Edit
      },
      remove: (entity, id) => ({ kind: 'remove', entity, id, based: based(entity, id) }) as Edit,
    }
  }, [store, boxId])
}
