import type { Language } from './say'

/**
 * What the trade says where the supply is 230 V, word by word; where a word would be wrong in its sentence, the sentence
 * by itself. A word that stands here with itself is one that a shorter word may not be taken out of.
 */
export const BRITISH: Language = {
  locale: 'en-GB',
  terms: [
    // spelling
    ['aluminum', 'aluminium'],
    ['armored', 'armoured'],
    ['color', 'colour'],
    ['color’s', 'colour’s'],
    ['colors', 'colours'],
    ['colored', 'coloured'],
    ['gray', 'grey'],
    ['green-yellow', 'green-and-yellow'],
    ['neighbor', 'neighbour'],
    ['neighbor’s', 'neighbour’s'],
    ['neighbors', 'neighbours'],
    ['neighboring', 'neighbouring'],

    // conductors
    ['ground', 'earth'],
    ['grounds', 'earths'],
    ['grounded', 'earthed'],
    ['a ground', 'an earth'],
    ['firm ground', 'firm ground'],
    ['ground-referenced', 'earth-referenced'],
    ['a ground-referenced', 'an earth-referenced'],
    ['no equipment ground', 'no earth'],
    ['hot', 'line'],
    ['hots', 'lines'],
    ['the color of a hot', 'the colour of a line conductor'],
    ['traveler', 'strapper'],
    ['pigtail', 'tail'],
    ['pigtails', 'tails'],

    // protection
    ['breaker', 'MCB'],
    ['breakers', 'MCBs'],
    ['a breaker', 'an MCB'],
    ['ground-fault', 'RCD'],
    ['ground-fault protection', 'RCD protection'],
    ['ground fault', 'RCD'],
    ['arc fault', 'AFDD'],
    ['panel', 'consumer unit'],
    ['panel’s', 'consumer unit’s'],
    ['panel directory', 'circuit chart'],
    ['directory', 'circuit chart'],
    ['directory card', 'circuit chart'],

    // what is fitted
    ['receptacle', 'socket'],
    ['receptacles', 'sockets'],
    ['metal box', 'metal back box'],
    ['metal boxes', 'metal back boxes'],
    ['deeper box', 'deeper back box'],
    ['box for controls', 'back box for controls'],
    ['a box of', 'a back box of'],
    ['rings and boxes', 'extenders and back boxes'],
    ['extension ring', 'box extender'],
    ['an extension ring', 'a box extender'],
    ['longer device screws', 'longer screws'],

    // sleeves, where North America tapes
    ['marked again', 'sleeved again'],
    ['marked with tape', 'sleeved'],
    ['not marked', 'not sleeved'],
    ['tape, {0}', 'sleeve, {0}'],

    // rules
    ['local code', 'local wiring rules'],
    ['the local code’s', 'those of the local wiring rules'],
    ['local code permits', 'local wiring rules permit'],
    ['local code does', 'local wiring rules do'],
    ['local code comes', 'local wiring rules come'],
    ['many codes', 'many wiring rules'],
  ],
  sentences: {
    'Circuit tests': 'Schedule of test results',
    Breaker: 'MCB or RCBO',
    Breakers: 'MCBs and RCBOs',
    'Which breaker?': 'Which MCB or RCBO?',
    'Circuit and breaker': 'Circuit, and its MCB or RCBO',
    'A breaker with protection that trips on a leak, as local code permits.':
      'An RCBO, or an RCD before the MCB, as local wiring rules permit.',
    '{0} A breaker on {1} (at most {2} A).': '{0} A MCB on {1} (at most {2} A).',
    'Bonded to the ground': 'Bonded to earth',
    'Tape in the color of a hot': 'Sleeve in the colour of a line conductor',
    'Mark it at both ends.': 'Sleeve it at both ends.',
    'Mark {0} {1} here, and at its other end': 'Sleeve {0} {1} here, and at its other end',
    'Marked {0}': 'Sleeved {0}',
    'marked {0}': 'sleeved {0}',
    'From the splice, by a pigtail': 'From the joint, by a tail',
  },
}
