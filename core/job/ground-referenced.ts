import { houseRule } from '../model/house-rules'
import type { BoxView } from './box-view'

/** Whether a device may refer to the ground here: where code allows it at all, and the house rule too. */
export const mayReferToGround = ({ region, record }: Pick<BoxView, 'region' | 'record'>): boolean =>
  region.groundReferenced !== 'never' && houseRule(record, 'ground-referenced') === 'allowed'
