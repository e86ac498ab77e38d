import { describe } from 'vitest'
import { identifies } from '@/testing/identify/suite'

describe('Identify, against circuits that only the tester knows', () => {
  identifies(1, 1, [3, 3], 0)
})
