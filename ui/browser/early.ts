import { THEME_COOKIE } from './theme-cookie'

/** Under this name a browser says how far it has a job (`every-room/have/JOB`). */
export const HAVE = 'every-room/have/'

/** Where the data of a page of no job is. */
export const DATA_OF = {
  '/': '/api/jobs',
  '/catalogue': '/api/catalogue',
  '/catalogue/lamps': '/api/lamps',
} as const

/** Data that is much comes packed. */
const PACKED = 'application/gzip'

/** What an answer says, packed or not. */
export function unpacked(answer: Response): Promise<unknown> {
  if (answer.headers.get('content-type') !== PACKED || !answer.body) return answer.json()
  return new Response(answer.body.pipeThrough(new DecompressionStream('gzip'))).json()
}

interface Early {
  readonly path: string
  readonly answer: Promise<Response>
}

declare global {
  interface Window {
    everyRoomEarly?: Early
  }
}

/**
 * Runs before anything is drawn: the colours as they were left, and the data of the page asked for while its script is
 * still on its way.
 */
export const EARLY_SCRIPT = `(function(){
var page=document.documentElement,at=location.pathname,job=/^\\/jobs\\/([a-z0-9-]+)(\\/|$)/.exec(at),path=null,have=null
if(/(^|; )${THEME_COOKIE}=dark(;|$)/.test(document.cookie))page.dataset.theme='dark'
try{have=job&&localStorage.getItem('${HAVE}'+job[1])}catch(e){}
if(job)path='/api/jobs/'+job[1]+(have?'?having='+have:'')
else path=${JSON.stringify(DATA_OF)}[at]||null
if(path){var answer=fetch(path,{cache:'no-store',headers:{accept:'${PACKED}'}});answer.catch(function(){});window.everyRoomEarly={path:path,answer:answer}}
})()`

/** Asks for data that may come packed. */
export const fetchPacked = (path: string, cache: RequestCache = 'no-store'): Promise<Response> =>
  fetch(path, { cache, headers: { accept: PACKED } })

/** Asks for what a page begins with: what was asked for while it was loading is taken, once, and never for anything later. */
export function fetchEarly(path: string): Promise<Response> {
  const early = window.everyRoomEarly
  delete window.everyRoomEarly
  return early?.path === path ? early.answer : fetchPacked(path)
}
