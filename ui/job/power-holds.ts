export { powerHolds } from '@/core/plan'
