import { commonPractice, fromMemory, published, type Source } from './source';

export const RULE_SETS = ['north-america', 'europe', 'united-kingdom', 'australia-new-zealand', 'other'] as const;
export type RuleSetId = (typeof RULE_SETS)[number];

/** What a caution or a finding leans on; null: nothing is cited, local code decides. */
export type Cited = 'airSpace' | 'fireWalls' | 'mainsNear' | 'outdoors' | 'aerial';

/** What a region asks for. The program cites it; local code and licensed practice decide. */
export type RuleSet = {
  id: RuleSetId;
  name: string;
  /** How a jacket is classed: by a listing for where it runs, by its reaction to fire, or as local code has it. */
  jackets: 'listing' | 'reaction to fire' | 'local';
  /** Sizes that conduit comes in, the usual family first. */
  conduits: readonly ('EMT' | 'ENT' | 'IEC' | 'IEC pliable')[];
  /** Whether conduit is filled by the table of the electrical code, or to one planned share. */
  conduitFill: 'code table' | 'planned share';
  /** Share of a breaker that a continuous load may take. */
  continuous: { share: number; source: Source };
  /** How far cable that is for outdoors only may go on indoors, mm; null: local rules say. */
  outdoorIndoors: { mostMm: number; source: Source } | null;
  cites: Readonly<Record<Cited, Source | null>>;
  /** Who does work on mains there, and on data cabling where a law says so. */
  licensed: { mains: string; cabling: { words: string; source: Source } | null };
  /** Dates and money are written as here. */
  locale: string;
  /** The plug that gear comes with there; empty: not known. */
  plug: string;
  /** Answers that stand until others are given, by question, with where they come from. */
  answers: Readonly<Record<string, { value: string; source: Source }>>;
};

const voltsSource = published('EN 50160; IEC 60038: 230 V nominal');
const metricCords = { value: '0.25 m, 0.5 m, 1 m, 1.5 m, 2 m, 3 m, 5 m', source: commonPractice };
const electrician = 'New mains outlets and circuits are work for a licensed electrician.';
const noGeneralRule: RuleSet['continuous'] = {
  share: 1,
  source: published('IEC 60364: design current at most the rating of the device'),
};
const outdoors = fromMemory('IEC 62305-4: protection of lines that leave a building');
const aerial = fromMemory('IEC 60728-11: bonding of aerials');
const separation = fromMemory('EN 50174-2; ISO/IEC 14763-2: A = S × P');

/** Every region there is. */
export const ruleSets: Readonly<Record<RuleSetId, RuleSet>> = {
  'north-america': {
    id: 'north-america',
    name: 'North America',
    jackets: 'listing',
    conduits: ['EMT', 'ENT'],
    conduitFill: 'code table',
    continuous: { share: 0.8, source: published('NFPA 70 210.20(A): continuous load at most 80 % of the breaker') },
    outdoorIndoors: {
      mostMm: 15_000,
      source: published('NFPA 70 800.48 (2017, 2020): unlisted outdoor cable at most 15 m past where it comes in'),
    },
    cites: {
      airSpace: published('NFPA 70 800.113 and 300.22; of cable with power, 725.135'),
      fireWalls: published('NFPA 70 300.21 and 800.26'),
      mainsNear: published('NFPA 70 800.133(A), since 2020 805.133(A); of cable with power, 725.136'),
      outdoors: fromMemory('NFPA 70 805.90 (before 2020: 800.90)'),
      aerial: fromMemory('NFPA 70 Article 810'),
    },
    licensed: { mains: electrician, cabling: null },
    locale: 'en-US',
    plug: 'NEMA 5-15',
    answers: {
      'mains-volts': { value: '120', source: published('ANSI C84.1: 120 V nominal') },
      'mains-amps': { value: '15', source: published('NEMA 5-15: 15 A') },
      'cord-lengths': { value: '6 in, 1 ft, 2 ft, 3 ft, 5 ft, 7 ft, 10 ft, 14 ft', source: commonPractice },
      currency: { value: 'USD', source: commonPractice },
    },
  },
  europe: {
    id: 'europe',
    name: 'Europe',
    jackets: 'reaction to fire',
    conduits: ['IEC pliable', 'IEC'],
    conduitFill: 'planned share',
    continuous: noGeneralRule,
    outdoorIndoors: null,
    cites: {
      airSpace: published('EN 50575: classes of reaction to fire; which one is asked for is national law'),
      fireWalls: fromMemory('EN 1366-3: seals of penetrations'),
      mainsNear: separation,
      outdoors,
      aerial,
    },
    licensed: { mains: electrician, cabling: null },
    locale: 'en-IE',
    plug: 'CEE 7',
    answers: {
      'mains-volts': { value: '230', source: voltsSource },
      'mains-amps': { value: '16', source: published('CEE 7: 16 A') },
      'cord-lengths': metricCords,
      currency: { value: 'EUR', source: commonPractice },
    },
  },
  'united-kingdom': {
    id: 'united-kingdom',
    name: 'United Kingdom',
    jackets: 'reaction to fire',
    conduits: ['IEC pliable', 'IEC'],
    conduitFill: 'planned share',
    continuous: noGeneralRule,
    outdoorIndoors: null,
    cites: {
      airSpace: fromMemory('BS 6701; BS EN 50575: classes of reaction to fire'),
      fireWalls: fromMemory('Approved Document B: fire stopping'),
      mainsNear: fromMemory('BS 6701: 50 mm or a divider'),
      outdoors,
      aerial,
    },
    licensed: {
      mains:
        'New mains outlets and circuits are work for a registered electrician; in a home most of it is notified to building control.',
      cabling: null,
    },
    locale: 'en-GB',
    plug: 'BS 1363',
    answers: {
      'mains-volts': { value: '230', source: voltsSource },
      'mains-amps': { value: '13', source: published('BS 1363: 13 A, fused in the plug') },
      'height-low': { value: '450', source: fromMemory('Approved Document M: outlets 450 to 1200 mm above the floor') },
      'height-desk': {
        value: '1200',
        source: fromMemory('Approved Document M: outlets and switches at most 1200 mm above the floor'),
      },
      'cord-lengths': metricCords,
      currency: { value: 'GBP', source: commonPractice },
    },
  },
  'australia-new-zealand': {
    id: 'australia-new-zealand',
    name: 'Australia and New Zealand',
    jackets: 'local',
    conduits: ['IEC pliable', 'IEC'],
    conduitFill: 'planned share',
    continuous: noGeneralRule,
    outdoorIndoors: null,
    cites: {
      airSpace: fromMemory('AS/CA S008: flammability of customer cable'),
      fireWalls: fromMemory('AS 4072.1: seals of penetrations'),
      mainsNear: fromMemory('AS/CA S009: separation from mains'),
      outdoors: fromMemory('AS/CA S009: cable between buildings'),
      aerial,
    },
    licensed: {
      mains: electrician,
      cabling: {
        words:
          'In Australia fixed cabling that is to be joined to a telecommunications network is work for a registered cabler. Ask which rule holds where you are.',
        source: fromMemory('Telecommunications cabling provider rules; AS/CA S009'),
      },
    },
    locale: 'en-AU',
    plug: 'AS/NZS 3112',
    answers: {
      'mains-volts': { value: '230', source: fromMemory('AS 60038: 230 V nominal') },
      'mains-amps': { value: '10', source: published('AS/NZS 3112: 10 A') },
      'cord-lengths': metricCords,
      currency: { value: 'AUD', source: commonPractice },
    },
  },
  other: {
    id: 'other',
    name: 'Another place',
    jackets: 'local',
    conduits: ['IEC pliable', 'IEC', 'EMT', 'ENT'],
    conduitFill: 'planned share',
    continuous: noGeneralRule,
    outdoorIndoors: null,
    cites: { airSpace: null, fireWalls: null, mainsNear: separation, outdoors, aerial },
    licensed: { mains: electrician, cabling: null },
    locale: 'en-GB',
    plug: '',
    // What the mains are is not known there: it is asked, and the smallest usual plug is reckoned with.
    answers: {
      'mains-volts': { value: 'unknown', source: commonPractice },
      'mains-amps': { value: '10', source: published('IEC 60320 C13: 10 A') },
      'cord-lengths': metricCords,
      currency: { value: '', source: commonPractice },
    },
  },
};

/** Classes of reaction to fire, best first (EN 50575). */
export const FIRE_CLASSES = ['B2ca', 'Cca', 'Dca', 'Eca', 'Fca'] as const;
export type FireClass = (typeof FIRE_CLASSES)[number];
export const fireClassSource = published('EN 50575: B2ca, Cca, Dca, Eca, Fca; which one is asked for is national law');

/** Whether a class is at least as good as the one asked for. */
export const reactsAsWell = (has: FireClass, asked: FireClass): boolean =>
  FIRE_CLASSES.indexOf(has) <= FIRE_CLASSES.indexOf(asked);
