import { fromMemory, published, type Source } from './source';

/** Longest passive direct-attach cable by speed, millimetres; beyond `plainMm` both ends must correct errors forwards. */
export const directAttach: { speedMbps: number; plainMm: number; mostMm: number; source: Source }[] = [
  {
    speedMbps: 10_000,
    plainMm: 7000,
    mostMm: 7000,
    source: fromMemory('SFF-8431, practice: passive SFP+ direct-attach to about 7 m'),
  },
  {
    speedMbps: 25_000,
    plainMm: 3000,
    mostMm: 5000,
    source: published('IEEE 802.3: 25GBASE-CR-S to 3 m, 25GBASE-CR with RS-FEC to 5 m'),
  },
  { speedMbps: 40_000, plainMm: 7000, mostMm: 7000, source: published('IEEE 802.3: 40GBASE-CR4') },
  { speedMbps: 100_000, plainMm: 5000, mostMm: 5000, source: published('IEEE 802.3: 100GBASE-CR4') },
];

export const FIBRES = ['OM1', 'OM2', 'OM3', 'OM4', 'OS2'] as const;
export type FibreKind = (typeof FIBRES)[number];

/** A pair of modules of one kind: speed and how far they reach over a kind of fibre, millimetres. */
export type ModuleReach = {
  name: string;
  speedMbps: number;
  mode: 'multi' | 'single';
  reachMm: Partial<Record<FibreKind, number>>;
  source: Source;
};

const km = 1_000_000;
const m = 1000;
export const modules: ModuleReach[] = [
  {
    name: '1000BASE-SX',
    speedMbps: 1000,
    mode: 'multi',
    reachMm: { OM1: 275 * m, OM2: 550 * m, OM3: 550 * m, OM4: 550 * m },
    source: published('IEEE 802.3 clause 38'),
  },
  {
    name: '1000BASE-LX',
    speedMbps: 1000,
    mode: 'single',
    reachMm: { OS2: 5 * km },
    source: published('IEEE 802.3 clause 38'),
  },
  {
    name: '10GBASE-SR',
    speedMbps: 10_000,
    mode: 'multi',
    reachMm: { OM1: 33 * m, OM2: 82 * m, OM3: 300 * m, OM4: 400 * m },
    source: published('IEEE 802.3 clause 52'),
  },
  {
    name: '10GBASE-LR',
    speedMbps: 10_000,
    mode: 'single',
    reachMm: { OS2: 10 * km },
    source: published('IEEE 802.3 clause 52'),
  },
  {
    name: '25GBASE-SR',
    speedMbps: 25_000,
    mode: 'multi',
    reachMm: { OM3: 70 * m, OM4: 100 * m },
    source: published('IEEE 802.3 clause 112'),
  },
  {
    name: '40GBASE-SR4',
    speedMbps: 40_000,
    mode: 'multi',
    reachMm: { OM3: 100 * m, OM4: 150 * m },
    source: published('IEEE 802.3 clause 86'),
  },
  {
    name: '100GBASE-SR4',
    speedMbps: 100_000,
    mode: 'multi',
    reachMm: { OM3: 70 * m, OM4: 100 * m },
    source: published('IEEE 802.3 clause 95'),
  },
];

/** Loss of optical elements at most, dB, and the budget of a channel. */
export const fibreLoss = {
  matedPairDb: 0.75,
  spliceDb: 0.3,
  multiPerKmDb: 3.5,
  multiLongWavePerKmDb: 1.5,
  singleIndoorPerKmDb: 1,
  /** The lower figures of later editions and of outdoor cable: what length alone loses at least. From memory. */
  multiLeastPerKmDb: 3,
  singleLeastPerKmDb: 0.5,
  source: published('ANSI/TIA-568.3'),
} as const;
/** Loss that a channel may have, dB, by module and fibre; what is not here is not known. */
export const channelLossDb: Partial<Record<string, Partial<Record<FibreKind, number>>>> = {
  '1000BASE-SX': { OM2: 3.56, OM3: 3.56, OM4: 3.56 },
  '1000BASE-LX': { OS2: 4.57 },
  '10GBASE-SR': { OM3: 2.6, OM4: 2.9 },
  '10GBASE-LR': { OS2: 6.2 },
  '25GBASE-SR': { OM3: 1.8, OM4: 1.9 },
  '40GBASE-SR4': { OM3: 1.9, OM4: 1.5 },
  '100GBASE-SR4': { OM3: 1.8, OM4: 1.9 },
};
/** Of 10GBASE-SR published; of the others from memory. */
export const channelLossSource = (module: string): Source =>
  module === '10GBASE-SR'
    ? published('IEEE 802.3 clause 52: channel insertion loss')
    : fromMemory('IEEE 802.3: channel insertion loss');

/** A copper module in a fast port: it runs hot, and shortly. Common practice, no source. */
export const copperModule = { heatW: 2.5, mostMm: 30_000 } as const;
