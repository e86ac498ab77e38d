import { describe } from 'vitest'
import { identifies } from '@/testing/identify/suite'

describe('Identify, against circuits that only the tester knows', () => {
  identifies(1, 4, [1, 2], 0.5)
})
