import { mostCords } from '../../base/standards/cordDerating';
import { relandMinutes, relandSource } from '../../base/standards/landing';
import {
  channelLossDb,
  channelLossSource,
  directAttach,
  FIBRES,
  type FibreKind,
  modules,
} from '../../base/standards/links';
import { commonPractice, published } from '../../base/standards/source';
import { stockLengthMm } from '../../trade/patching/cords/cordLength';
import { oversubscription } from '../../trade/patching/uplinks/topology';
import { cutMm } from '../../trade/runs/cablePlan';
import { choice, type Entry, figure, of } from './entry';

const GROUP = 'Links and cords';
const MODULES = modules.map((one) => one.name);
const ATTACH_SPEEDS = directAttach.map((one) => String(one.speedMbps));
const STOCK_M = [0.25, 0.5, 1, 1.5, 2, 3, 5];

/** Of modules, direct-attach cables, uplinks, and of cable and cords by the metre. */
export const LINKS: readonly Entry[] = [
  {
    id: 'module-reach',
    group: GROUP,
    tells: 'How far a pair of modules reaches over a kind of fibre.',
    inputs: [choice('module', 'Modules', MODULES), choice('fibre', 'Fibre', FIBRES)],
    unit: 'm',
    digits: 0,
    formula: 'table: {module} over {fibre}',
    reckon: (given) => {
      const reachMm = modules.find((one) => one.name === given.module)?.reachMm[given.fibre as FibreKind];
      return reachMm === undefined ? null : reachMm / 1000;
    },
    source: published('IEEE 802.3 clauses 38, 52, 86, 95, 112'),
    example: { given: { module: '10GBASE-SR', fibre: 'OM3' }, result: 300, from: 'IEEE 802.3 clause 52' },
  },
  {
    id: 'channel-loss',
    group: GROUP,
    tells: 'Loss that a fibre link may have for its modules.',
    inputs: [choice('module', 'Modules', Object.keys(channelLossDb)), choice('fibre', 'Fibre', FIBRES)],
    unit: 'dB',
    digits: 2,
    formula: 'table: {module} over {fibre}',
    reckon: (given) => channelLossDb[String(given.module)]?.[given.fibre as FibreKind] ?? null,
    source: channelLossSource('of the others'),
    example: { given: { module: '10GBASE-SR', fibre: 'OM3' }, result: 2.6, from: 'IEEE 802.3 clause 52' },
  },
  {
    id: 'direct-attach',
    group: GROUP,
    tells: 'Longest passive direct-attach cable that needs no error correction.',
    inputs: [choice('mbps', 'Speed, Mb/s', ATTACH_SPEEDS)],
    unit: 'm',
    digits: 0,
    formula: 'table: {mbps}',
    reckon: (given) => {
      const row = directAttach.find((one) => String(one.speedMbps) === given.mbps);
      return row ? row.plainMm / 1000 : null;
    },
    source: published('IEEE 802.3: 25GBASE-CR-S, 40GBASE-CR4, 100GBASE-CR4; SFF-8431 for 10 Gb/s, from memory'),
    example: { given: { mbps: '25000' }, result: 3, from: 'IEEE 802.3: 25GBASE-CR-S' },
  },
  {
    id: 'oversubscription',
    group: GROUP,
    tells: 'How many times what hangs below a switch its uplinks carry.',
    inputs: [
      figure('down', 'All below', 'Mb/s', [24_000, 0, 10_000_000]),
      figure('up', 'Uplinks that carry', 'Mb/s', [10_000, 1, 1_000_000]),
    ],
    unit: ': 1',
    digits: 1,
    formula: '{down} / {up}',
    reckon: (given) => oversubscription(of(given, 'down'), of(given, 'up')),
    source: commonPractice,
    example: { given: { down: 24_000, up: 10_000 }, result: 2.4, from: '24 / 10' },
  },
  {
    id: 'outlet-cord-limit',
    group: GROUP,
    tells: 'Longest cord at an outlet by its gauge.',
    inputs: [choice('gauge', 'Gauge of the cord', ['24', '26'])],
    unit: 'm',
    digits: 0,
    formula: 'table: {gauge} AWG',
    reckon: (given) => {
      const most = mostCords[Number(given.gauge) as keyof typeof mostCords].outletMm;
      return most === null ? null : most / 1000;
    },
    source: published('ANSI/TIA-568.1'),
    example: { given: { gauge: '24' }, result: 22, from: 'ANSI/TIA-568.1' },
  },
  {
    id: 'cord-from-stock',
    group: GROUP,
    tells: 'Cord that is taken for a way, of those that come in 0.25 to 5 m.',
    inputs: [figure('way', 'Way', 'm', [0.7, 0.01, 5])],
    unit: 'm',
    digits: 2,
    formula: `the smallest of ${STOCK_M.join(', ')} that reaches {way}`,
    reckon: (given) => {
      const mm = stockLengthMm(
        STOCK_M.map((metres) => metres * 1000),
        of(given, 'way') * 1000,
      );
      return mm === null ? null : mm / 1000;
    },
    source: commonPractice,
    example: { given: { way: 0.7 }, result: 1, from: '0.5 does not reach' },
  },
  {
    id: 'cut-length',
    group: GROUP,
    tells: 'Length that is cut off a box for a run.',
    inputs: [figure('length', 'Run', 'm', [20.01, 0.1, 500]), figure('spare', 'Spare for the pull', '%', [10, 0, 30])],
    unit: 'm',
    digits: 1,
    formula: '{length} × (1 + {spare} / 100), up to the next tenth',
    reckon: (given) => cutMm(of(given, 'length') * 1000, of(given, 'spare')) / 1000,
    source: commonPractice,
    example: { given: { length: 20.01, spare: 10 }, result: 22.1, from: '20.01 × 1.1 = 22.011' },
  },
  {
    id: 'relanding',
    group: GROUP,
    tells: 'Minutes to take a run off its port and end it on another.',
    inputs: [choice('fitting', 'Fitted by', Object.keys(relandMinutes))],
    unit: 'min',
    digits: 1,
    formula: 'table: {fitting}',
    reckon: (given) => relandMinutes[given.fitting as keyof typeof relandMinutes],
    source: relandSource,
    example: { given: { fitting: 'punch' }, result: 6, from: 'rule of thumb' },
  },
];
