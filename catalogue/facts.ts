import type { Fact } from '@/core/model/trade'

const COMMON = 'common rule, check local code'
const SHEET = 'maker’s sheet'

const fact = (id: string, says: string, source: string): Fact => ({ id, says, source })

const ALL = [
  fact(
    'old-switch',
    'An old switch with one odd screw works its light together with another one; one with two pairs stands between two such.',
    COMMON,
  ),
  fact(
    'test-continuity',
    'Out and back, a run has twice its length of the metal it is of: copper at most 18.5 mΩ/m at 1 mm² (14 AWG 9 mΩ/m, 1.5 mm² 12 mΩ/m), aluminum 29 mΩ/m. A fifth more for its warmth and 0.1 Ω for clips and joints; what is above that is a poor joint, or another length. Nothing in a house has more than 2 Ω.',
    COMMON,
  ),
  fact(
    'test-insulation',
    'Insulation of a circuit that is dead holds 500 V direct with at least 1 MΩ between any two of its conductors; lamps, electronics and protection are off it meanwhile.',
    COMMON,
  ),
  fact(
    'test-polarity',
    'Switches and breakers stand in the hot alone, and the shell of a holder is neutral.',
    COMMON,
  ),
  fact(
    'test-loop',
    'A fault to ground trips a breaker of the common kind at once at five times its rating: the loop, read cold, is at most 0.8 × 0.95 × volts ÷ (5 × amperes).',
    COMMON,
  ),
  fact(
    'test-trip',
    'Protection of people trips between 4 and 6 mA at 120 V, a residual current device of 30 mA between 15 and 30 mA within 300 ms; its own button tests its mechanics alone.',
    COMMON,
  ),
  fact(
    'load-inrush',
    'Electronic lamps take a rush of current at their start, many times the working one for a fraction of a millisecond. All of one switch start at once: the peaks add up, and a contact bears so much of it as its sheet says.',
    SHEET,
  ),
  fact(
    'load-drivers',
    'Drivers of LED lamps take many times their current for a moment when they start; a sheet that names how many may start at once holds beside its watts.',
    COMMON,
  ),
  fact(
    'never-dark',
    'Nobody is put in the dark on a stair or in a passage: one presence sensor does not see both its ends.',
    COMMON,
  ),
  fact(
    'protection',
    'New and prolonged wiring asks for protection that replaced devices may not: against leaks where it is damp and in kitchens, against arcs where people live; 30 mA at 230 V.',
    COMMON,
  ),
  fact('neutral-at-switch', 'New wiring brings a neutral to a switch.', COMMON),
  fact(
    'ungrounded-receptacle',
    'A receptacle that is replaced where no ground is gets protection against leaks, and a mark; so does what it feeds.',
    COMMON,
  ),
  fact('damp', 'Near a bath or a shower zones say what may stand where, and how well it is closed.', COMMON),
  fact('cloth-test', 'Cloth-covered cable is tested for insulation before and after the work.', COMMON),
  fact('old-boards', 'Boards and fillings of its time may hold asbestos.', COMMON),
  fact('told-before', 'New wiring is notified or has a permit, as the local authority says.', COMMON),
  fact('supply-neutral', 'Electronics that live between hot and neutral need a neutral in this box.', SHEET),
  fact(
    'supply-ground',
    'A ground-referenced sensor sends its small current into the ground; many codes allow it only as a listed retrofit.',
    COMMON,
  ),
  fact(
    'supply-through-load',
    'A two-wire device lives on what flows through the lamp: below its minimum load it flickers, glows or does not start.',
    SHEET,
  ),
  fact(
    'ground-present',
    'Devices and metal boxes are grounded; a ground counts once a reading shows that it is continuous.',
    COMMON,
  ),
  fact(
    'no-ground',
    'Where no ground is, only what replaces something may be fitted: behind protection that trips on a leak, or with plate and screws of nothing that conducts; a receptacle is marked “no equipment ground”.',
    COMMON,
  ),
  fact(
    'load-by-kind',
    'A device has a rating for each kind of load; each kind is compared with its own.',
    SHEET,
  ),
  fact(
    'load-sum',
    'Loads of different kinds on one device: the fractions of their ratings add up to 1 at most.',
    COMMON,
  ),
  fact(
    'power-factor',
    'LED watts are volt-amperes times the power factor; a power factor that is not printed counts as 0.5.',
    COMMON,
  ),
  fact('lamp-dimmable', 'A dimmer needs lamps made for dimming; others flicker or are destroyed.', SHEET),
  fact(
    'phase',
    'A dimmer and its lamps must agree on the edge that is cut: leading, trailing, or either.',
    SHEET,
  ),
  fact('motor', 'No dimmer on a motor, and a motor only on a device with a motor rating.', SHEET),
  fact(
    'receptacle',
    'A receptacle may feed anything: it is never dimmed, and only switched by a device listed for it.',
    COMMON,
  ),
  fact(
    'conductor-breaker',
    'The smallest conductor on a circuit sets its largest breaker: 14 AWG 15 A, 12 AWG 20 A, 10 AWG 30 A; 1 mm² 10 A, 1.5 mm² 16 A, 2.5 mm² 20 A. Aluminum: 12 AWG 15 A, 10 AWG 25 A.',
    COMMON,
  ),
  fact('device-breaker', 'A general rating is compared with the load in amperes.', SHEET),
  fact('long-hours', 'A load expected on for three hours or more counts at 125 %.', COMMON),
  fact(
    'termination',
    'A terminal takes the gauges and strandings its sheet names; push-in takes solid copper only.',
    SHEET,
  ),
  fact(
    'aluminium',
    'Aluminum goes only on terminals marked for it; otherwise into a connector whose own sheet lists copper with aluminum, with a copper pigtail: never a lever or a twist-on by habit, no stranded lead straight to it.',
    COMMON,
  ),
  fact(
    'fins',
    'Fins broken off in a shared box lower the rating: one side and both sides each have a figure. They come off only where the neighbor has fins too.',
    SHEET,
  ),
  fact(
    'shared-gang',
    'Several controls stand in one opening only as parts made for the same strap or plate, no more of them than it takes.',
    SHEET,
  ),
  fact(
    'kept-switch',
    'What stands behind a switch is told by it: a plain switch stays in the opening, fed by the same hot, its other screw on the terminal that listens.',
    SHEET,
  ),
  fact('region', 'A device works at the voltage and frequency it was made for.', SHEET),
  fact(
    'wiring',
    'Every place of a light must reach what its device asks for, by conductors whose colors allow it.',
    COMMON,
  ),
  fact('places', 'A device works with as many places as its kind allows.', SHEET),
  fact(
    'box-fill',
    'A conductor that enters counts 1 of its volume allowance, a yoke 2 of the largest on it, inner clamps 1, grounds together 1 up to four and a quarter each more.',
    COMMON,
  ),
  fact('box-depth', 'A device needs its depth and about 10 mm for bent conductors inside the box.', COMMON),
  fact(
    'free-conductor',
    'At least 150 mm (6 in) of conductor is free from where its sheath ends, to be worked on and worked on again.',
    COMMON,
  ),
  fact(
    'switched-neutral',
    'A switch interrupts the hot, never the neutral: a lamp that is off is live otherwise.',
    COMMON,
  ),
  fact(
    'control-pair',
    'Drivers that are dimmed over a pair of low voltage are fed in full and told how bright to be: + to +, − to −.',
    COMMON,
  ),
  fact(
    'class-separation',
    'Low voltage and mains lie apart: in sheaths of their own, in a box by a partition; or the pair is made as a part of the mains, insulated for it all the way, where the device’s sheet allows it.',
    COMMON,
  ),
  fact(
    'isolated',
    'What moves and is to be worked on can be parted from every pole where it hangs: the switched conductor, what stays live beside it, and the neutral, by contacts that open together.',
    COMMON,
  ),
  fact(
    'past-protection',
    'Protection against leaks compares what goes out with what comes back: what hangs behind it has hot and neutral both behind it, or it trips.',
    COMMON,
  ),
  fact(
    'shared-neutral',
    'Two circuits that share a neutral are switched off together: the neutral carries the other’s current.',
    COMMON,
  ),
  fact(
    'ring',
    'A ring leaves a breaker and comes back to it: each of its conductors carries half, so that the breaker may be larger.',
    COMMON,
  ),
  fact(
    'own-neutral',
    'Every circuit has a neutral of its own; a shared one is parted, whatever throws the two.',
    COMMON,
  ),
  fact(
    'same-leg',
    'Hots that share a neutral stand on different legs: on one leg their currents add up in the neutral, and nothing trips.',
    COMMON,
  ),
  fact(
    'raceway-ground',
    'A steel pipe, whole and tight from the panel, is a ground by the common rule; whether this one is, a reading to the metal of the box tells.',
    COMMON,
  ),
  fact(
    'one-strap',
    'Two circuits that end on one strap are switched off together, by a handle tie or one breaker of two poles: with one off, the strap is still live.',
    COMMON,
  ),
  fact(
    'borrowed-neutral',
    'A neutral that another circuit returns on reads 0 V until its joint is opened; then its load side can stand at line voltage.',
    COMMON,
  ),
  fact(
    'grounded-neutral',
    'Neutral and ground meet once, at the service: joined anywhere else, bare metal carries the neutral’s current.',
    COMMON,
  ),
  fact(
    'steel-pipe',
    'All conductors of one circuit go through the same steel pipe: one way of a current alone heats it.',
    COMMON,
  ),
  fact('box-reached', 'A box with joints in it stays where it can be reached without damage.', COMMON),
  fact('label', 'A label is believed once a reading agrees with it.', COMMON),
  fact(
    'receptacle-tester',
    'A plug-in tester shows how a receptacle is wired; it proves nothing dead.',
    COMMON,
  ),
  fact(
    'roles-proven',
    'A device is connected by what a conductor was proven to be, never by its color.',
    COMMON,
  ),
  fact('motor-table', 'Full-load current of motors by the common table: ⅙ hp 4.4 A at 115 V.', COMMON),
  fact(
    'set-back',
    'Flush where the surface burns, at most 6 mm back where it does not; an extension ring mends it.',
    COMMON,
  ),
  fact('joint', 'Every joint is made in a connector or on a terminal; no copper shows.', COMMON),
  fact('remark', 'A conductor that leaves its color’s meaning is marked again at both ends.', COMMON),
  fact(
    'neutral-reading',
    'A neutral is proven by two low-impedance readings to the hot, and a ground that is accounted for beside it.',
    COMMON,
  ),
  fact(
    'dead',
    'Dead is at most 5 V on a low-impedance meter from every conductor to a reference that has itself just read nominal.',
    COMMON,
  ),
]

/** Figures and habits that verdicts rest on, by id. */
export const facts: Readonly<Record<string, Fact>> = Object.fromEntries(ALL.map(each => [each.id, each]))
