export { defectsIn, type ListedDefect } from './listed'
export type { RaisedDefect } from './raised'
export { raisedDefects } from './rules'
