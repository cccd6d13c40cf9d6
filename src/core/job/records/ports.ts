import { kept } from '../../base/memo/kept';
import type { Category } from '../../base/standards/categoryReach';
import type { Connector } from '../../base/standards/connectors';
import type { Fitting } from '../../base/standards/landing';
import type { Gear } from './gear';
import type { Carries } from './run';

/** One port of a device, numbered from 1 through all its groups. */
export type Port = {
  number: number;
  connector: Connector;
  speedMbps: number | null;
  poeW: number;
  use: 'access' | 'internet';
  side: 'front' | 'rear';
  category: Category | null;
  screened: boolean;
  fitting: Fitting;
  carries: Carries | null;
};

const numbered = kept((groups: Gear['ports']): Port[] =>
  groups
    .flatMap(({ count, rows: _, pitchMm: __, xMm: ___, ...port }) => Array.from({ length: count }, () => port))
    .map((port, at) => ({ number: at + 1, ...port })),
);

/** All ports of a device in order of number. */
export const portsOf = (gear: Gear): Port[] => numbered(gear.ports);

export function portAt(gear: Gear, number: number): Port | null {
  return portsOf(gear)[number - 1] ?? null;
}

export const isPanel = (gear: Gear): boolean => gear.kind === 'panel';
/** Devices that a run can be patched to. */
export const isSwitching = (gear: Gear): boolean => gear.kind === 'switch' || gear.kind === 'router';

const CAGES: readonly Connector[] = ['sfp', 'sfp+', 'sfp28', 'qsfp28'];
/** Whether a port takes a module. */
export const isCage = (port: Port): boolean => CAGES.includes(port.connector);

const LANDS: Record<Connector, readonly Carries[]> = {
  keystone: ['ethernet', 'fibre', 'coax', 'telephone', 'speaker', 'other'],
  rj45: ['ethernet', 'telephone'],
  lc: ['fibre'],
  sc: ['fibre'],
  f: ['coax'],
  sfp: [],
  'sfp+': [],
  sfp28: [],
  qsfp28: [],
};
const PATCHES: Record<Connector, readonly Carries[]> = {
  rj45: ['ethernet'],
  sfp: ['fibre'],
  'sfp+': ['fibre'],
  sfp28: ['fibre'],
  qsfp28: ['fibre'],
  keystone: [],
  lc: [],
  sc: [],
  f: [],
};

/** Whether a cable that carries this can be ended on a panel port of this kind. */
export const canLand = (port: Pick<Port, 'connector' | 'carries'>, carries: Carries): boolean =>
  LANDS[port.connector].includes(carries) && (port.carries ?? carries) === carries;
/** Whether a cord for this can be plugged into a switch port of this kind, modules for fibre included. */
export const canPatch = (connector: Connector, carries: Carries): boolean => PATCHES[connector].includes(carries);
/** Whether a switch has any port at all for this. */
export const isSwitched = (carries: Carries): boolean =>
  Object.values(PATCHES).some((kinds) => kinds.includes(carries));

/** Why a port of this number is not there; null where it is, or where the device is not known. */
export const noPort = (gear: Gear | undefined, port: number): string | null =>
  gear && !portAt(gear, port) ? `${gear.name} has no port ${port}.` : null;
