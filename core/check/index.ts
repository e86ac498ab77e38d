export { check, checkJob, checkPlace, type Judgement } from './check'
export { defectsIn, raisedDefects, type ListedDefect, type RaisedDefect } from './defects'
export { boxFill } from './fill'
export { VERDICTS, type Cure, type Line, type Verdict } from './line'
