import { inTest, nobody, MADE_WITH_ROW, GIVEN, RECKONED, ASKED, type HandsOf } from './hand-kinds'

const PLACED_BY_HAND = {
  seq: GIVEN,
  at: GIVEN,
  revision: GIVEN,
  seen: GIVEN,
  device: GIVEN,
  deviceNumber: GIVEN,
  by: GIVEN,
} as const

/** What was read, told, done and agreed at the wall. */
export const AT_THE_WALL: HandsOf<
  | 'readings'
  | 'needs'
  | 'notes'
  | 'photos'
  | 'switchings'
  | 'locks'
  | 'circuitTests'
  | 'breakerTries'
  | 'defects'
  | 'choices'
  | 'steps'
  | 'settings'
  | 'plans'
  | 'programs'
  | 'tests'
  | 'crew'
  | 'keeps'
  | 'findings'
  | 'claims'
  | 'houseRules'
  | 'turns'
> = {
  readings: {
    boxId: MADE_WITH_ROW,
    ...PLACED_BY_HAND,
    purpose: ASKED,
    instrument: ASKED,
    fromEndId: ASKED,
    toEndId: ASKED,
    reference: ASKED,
    value: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    breaker: ASKED,
    switchPosition: ASKED,
    stand: ASKED,
    toSpot: ASKED,
    toGroupId: ASKED,
    workedDeviceId: ASKED,
    lampsOutGroupId: inTest(
      'e2e/reading-by-hand.spec.ts',
      'a reading with the lamps out, and one with a device off its wires',
    ),
    offDeviceId: inTest(
      'e2e/reading-by-hand.spec.ts',
      'a reading with the lamps out, and one with a device off its wires',
    ),
    answer: ASKED,
    resolutionAmps: ASKED,
    struck: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    corrected: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
    note: inTest('e2e/taken-back.spec.ts', 'a reading is put right, struck out, and counts again'),
  },
  findings: { endId: RECKONED, role: RECKONED, proof: RECKONED, basis: RECKONED },
  needs: {
    groupId: MADE_WITH_ROW,
    need: inTest('e2e/needs.spec.ts', 'what is wanted, need by need'),
    value: inTest('e2e/needs.spec.ts', 'what is wanted, need by need'),
  },
  notes: {
    endId: MADE_WITH_ROW,
    text: inTest('e2e/photos.spec.ts', 'a photo before anything is moved, a note pinned to a conductor'),
  },
  photos: {
    boxId: MADE_WITH_ROW,
    kind: inTest('e2e/taken-back.spec.ts', 'a photo shows something else than was said'),
    widthPixels: nobody('Measured in the picture.'),
    heightPixels: nobody('Measured in the picture.'),
    note: inTest('e2e/taken-back.spec.ts', 'a photo shows something else than was said'),
    ...PLACED_BY_HAND,
  },
  claims: { endId: RECKONED, readingId: RECKONED },
  switchings: {
    circuitId: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    to: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    foundSo: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    struck: inTest(
      'e2e/taken-back.spec.ts',
      'any breaker is switched from the panel, and a switching struck out',
    ),
    ...PLACED_BY_HAND,
  },
  circuitTests: {
    circuitId: MADE_WITH_ROW,
    kind: inTest(
      'e2e/certificate.spec.ts',
      'a circuit is tested dead before it is live, held against its limits, and what failed keeps it off',
    ),
    value: inTest(
      'e2e/certificate.spec.ts',
      'a circuit is tested dead before it is live, held against its limits, and what failed keeps it off',
    ),
    shows: inTest(
      'e2e/certificate.spec.ts',
      'a circuit is tested dead before it is live, held against its limits, and what failed keeps it off',
    ),
    metres: inTest('e2e/certificate.spec.ts', 'a joint that is bad shows by how long the run is'),
    instrument: inTest(
      'e2e/certificate.spec.ts',
      'a circuit is tested dead before it is live, held against its limits, and what failed keeps it off',
    ),
    takenBy: inTest(
      'e2e/certificate.spec.ts',
      'a circuit is tested dead before it is live, held against its limits, and what failed keeps it off',
    ),
    ...PLACED_BY_HAND,
  },
  locks: {
    circuitId: inTest('e2e/locks.spec.ts', 'a breaker is locked off by two, and each takes off his own'),
    how: inTest('e2e/locks.spec.ts', 'where no lock fits, the house rule says what hangs there'),
    keyWith: inTest('e2e/locks.spec.ts', 'a breaker is locked off by two, and each takes off his own'),
    ...PLACED_BY_HAND,
  },
  breakerTries: {
    boxId: MADE_WITH_ROW,
    circuitId: MADE_WITH_ROW,
    placeId: MADE_WITH_ROW,
    endId: MADE_WITH_ROW,
    shows: inTest('e2e/taken-back.spec.ts', 'a try of the hunt has its note, and is taken back'),
    hinted: inTest('e2e/hunt.spec.ts', 'the hunt for a breaker: likeliest first'),
    note: inTest('e2e/taken-back.spec.ts', 'a try of the hunt has its note, and is taken back'),
    ...PLACED_BY_HAND,
  },
  defects: {
    boxId: MADE_WITH_ROW,
    ruleId: RECKONED,
    severity: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    what: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    state: inTest(
      'e2e/defects.spec.ts',
      'defects of the house: mended, struck off, and the rest handed over',
    ),
    note: inTest('e2e/taken-back.spec.ts', 'words and rank of a defect while it is open, and its note'),
    handedTo: inTest(
      'e2e/defects.spec.ts',
      'defects of the house: mended, struck off, and the rest handed over',
    ),
    handedOn: inTest('e2e/taken-back.spec.ts', 'handed over on an earlier day'),
  },
  choices: {
    placeId: MADE_WITH_ROW,
    modelId: inTest('e2e/choose.spec.ts', 'a choice can be changed, taken back and done again'),
  },
  steps: {
    boxId: MADE_WITH_ROW,
    stepKey: MADE_WITH_ROW,
    ...PLACED_BY_HAND,
    asked: inTest('e2e/two-phones.spec.ts', 'without a connection a step waits for what was said aloud'),
    note: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
  },
  settings: {
    placeId: MADE_WITH_ROW,
    settingId: MADE_WITH_ROW,
    keyed: inTest('e2e/program.spec.ts', 'a program is made, its year looked at, and keyed in'),
    trial: inTest('e2e/trim.spec.ts', 'a low end is found by trial, with a lamp that fails'),
    reason: inTest(
      'e2e/room-plan.spec.ts',
      'a setting that is not what was worked out stays marked until somebody says why',
    ),
    value: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
  },
  programs: {
    placeId: MADE_WITH_ROW,
    program: inTest('e2e/program.spec.ts', 'a program is made, its year looked at, and keyed in'),
  },
  plans: {
    roomId: MADE_WITH_ROW,
    plan: inTest('e2e/room-plan.spec.ts', 'a plan is made from nothing by typing, and its sensor aimed'),
  },
  tests: {
    placeId: MADE_WITH_ROW,
    testKey: MADE_WITH_ROW,
    outcome: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    measured: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    note: inTest(
      'e2e/taken-back.spec.ts',
      'a step has its note; a setting and a test are taken back, with what was read',
    ),
    ...PLACED_BY_HAND,
  },
  houseRules: { ruleId: MADE_WITH_ROW, value: inTest('e2e/rules.spec.ts', 'a house rule: what it changes') },
  crew: {
    name: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    readsLive: inTest('e2e/day.spec.ts', 'the day: fewer walks'),
    atPanel: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
  },
  keeps: {
    kind: MADE_WITH_ROW,
    roomId: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    circuitId: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
    minutes: inTest('e2e/taken-back.spec.ts', 'who works, and what must be kept, said otherwise'),
  },
  turns: { boxId: MADE_WITH_ROW, position: inTest('e2e/day.spec.ts', 'boxes ordered by hand') },
}
