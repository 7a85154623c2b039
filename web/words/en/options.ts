import type {
  Act,
  Assessors,
  BasketSize,
  DosesBy,
  GrindOwner,
  KeptIn,
  MachineKind,
  ProgrammeWay,
  ReadingKind,
  Selector,
  Skill,
  StepTimer,
  TampSchool,
  VesselKind,
} from '@calm-apron/core'
import { entryWords } from './entry.ts'
import { factsWords } from './facts.ts'

const SIZES = { single: 'single', double: 'double', triple: 'triple' } satisfies Record<BasketSize, string>
const SELECTED = { none: 'none', single: 'single', double: 'double' } satisfies Record<Selector, string>

const MACHINES = {
  'single-boiler': 'small, single boiler',
  'heat-exchange': 'heat exchanger',
  'two-boiler': 'two boilers',
  lever: 'lever',
  assisted: 'assisted',
} satisfies Record<MachineKind, string>

/** What may be chosen in the fields of all that is prepared, by field. */
export const OPTION_WORDS = {
  clock: entryWords.clock,
  onlyRecorded: {
    dose: 'dose',
    tamp: 'tamp',
    yield: 'yield',
    time: 'time',
    taste: 'taste',
  } satisfies Record<ReadingKind, string>,
  doseBy: factsWords.fact.doseMethod.is,
  tampBy: {
    settled: 'when the bed stops giving',
    force: 'at a calibrated force',
    depth: 'at a depth',
    'levelling-tool': 'with a levelling tool',
    lever: 'with a lever',
  } satisfies Record<TampSchool, string>,
  lowDoseRule: factsWords.fact.lowDose.is,
  roastLevel: {
    light: 'light',
    'medium-light': 'medium light',
    medium: 'medium',
    'medium-dark': 'medium dark',
    dark: 'dark',
  },
  keptIn: { hopper: 'in the hopper', sealed: 'sealed', freezer: 'in the freezer' } satisfies Record<
    KeptIn,
    string
  >,
  state: { here: 'here', missing: 'missing', 'on-order': 'on order' },
  'machine-kind': MACHINES,
  machineKinds: MACHINES,
  way: {
    ticks: 'a card of ticks',
    set: 'a set of shots',
    'dial-in': 'finding a setting',
  } satisfies Record<ProgrammeWay, string>,
  skills: {
    prep: 'preparing',
    dose: 'dose',
    tamp: 'tamp',
    yield: 'yield',
    time: 'time',
    taste: 'taste',
    call: 'the call',
    alike: 'pulling alike',
  } satisfies Record<Skill, string>,
  grindOwner: { trainer: 'the trainer', trainee: 'the trainee' } satisfies Record<GrindOwner, string>,
  assessors: {
    'whoever-teaches': 'whoever teaches',
    'not-their-trainer': 'not whoever trained them',
  } satisfies Record<Assessors, string>,
  temperature: { controlled: 'controlled', thermostat: 'thermostat, swings', none: 'none: by flushing' },
  preinfusion: { none: 'none', automatic: 'automatic', held: 'held by hand' },
  startBy: { button: 'a button', lever: 'a lever', paddle: 'a paddle' },
  stopBy: { hand: 'hand', 'volume-counter': 'a volume counter', timer: 'a timer' },
  selector: SELECTED,
  suits: SIZES,
  size: SIZES,
  finerIs: { lower: 'lower', higher: 'higher' },
  dosesBy: {
    weight: 'doses by weight',
    time: 'doses by time',
    'until-empty': 'runs until empty',
    bursts: 'doses in bursts',
    chamber: 'doses from a chamber',
  } satisfies Record<DosesBy, string>,
  wall: { 'single-wall': 'single wall', pressurised: 'pressurised' },
  'vessel-kind': { portafilter: 'portafilter', 'dosing-cup': 'dosing cup', cup: 'cup' } satisfies Record<
    VesselKind,
    string
  >,
  'tool-kind': {
    tamper: 'tamper',
    'levelling-tool': 'levelling tool',
    'needle-tool': 'needle tool',
    funnel: 'funnel',
    'knock-box': 'knock box',
    jug: 'jug',
    thermometer: 'thermometer',
    other: 'other',
  },
  spouts: { none: 'none: bottomless', one: 'one', two: 'two' },
  observedBy: { trainer: 'the trainer', self: 'whoever pulls' },
  timer: {
    none: 'none',
    flush: 'flush',
    'until-smooth': 'until it runs without steam',
    'warm-up': 'warm-up',
    'lock-to-start': 'locked in to start',
  } satisfies Record<StepTimer, string>,
  act: {
    any: 'Everywhere',
    machine: 'At the machine',
    pull: 'While a shot runs',
    'knock-out': 'Loosening and knocking out',
    grinder: 'At the grinder',
    tamp: 'Tamping',
    taste: 'Tasting',
    milk: 'Milk',
    clean: 'Cleaning',
  } satisfies Record<Act, string>,
}
