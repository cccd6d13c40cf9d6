import { published } from '../../../base/standards/source';

/** Where the standard modules keep what a switch sees, by number (IF-MIB, EtherLike, BRIDGE and Q-BRIDGE, PoE, LLDP). */
export const TREE = {
  operStatus: '1.3.6.1.2.1.2.2.1.8',
  name: '1.3.6.1.2.1.31.1.1.1.1',
  highSpeed: '1.3.6.1.2.1.31.1.1.1.15',
  fcsErrors: '1.3.6.1.2.1.10.7.2.1.3',
  duplex: '1.3.6.1.2.1.10.7.2.1.19',
  basePort: '1.3.6.1.2.1.17.1.4.1.2',
  learnt: '1.3.6.1.2.1.17.4.3.1.2',
  learntByNetwork: '1.3.6.1.2.1.17.7.1.2.2.1.2',
  network: '1.3.6.1.2.1.17.7.1.4.5.1.1',
  poeState: '1.3.6.1.2.1.105.1.1.1.6',
  poeClass: '1.3.6.1.2.1.105.1.1.1.10',
  poeBudgetW: '1.3.6.1.2.1.105.1.3.1.1.2',
  poeDrawnW: '1.3.6.1.2.1.105.1.3.1.1.4',
  neighbour: '1.0.8802.1.1.2.1.4.1.1.9',
} as const;
export type TreeColumn = keyof typeof TREE;
export const treeSource = published('RFC 2863, 3621, 3635, 4188, 4363; IEEE 802.1AB: management modules');

export const POE_STATES = ['off', 'searching', 'delivering', 'fault'] as const;
export type PoeState = (typeof POE_STATES)[number];

/** One value of the tree, as an agent gives it. Whole numbers as text, so that 64 bits stay whole. */
export type TreeValue = {
  column: TreeColumn;
  /** What stands behind the column's number. */
  index: readonly number[];
  type: 'INTEGER' | 'Gauge32' | 'Counter32' | 'STRING';
  value: string;
};
