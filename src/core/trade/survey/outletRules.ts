import { DEVICE_WORDS } from '../../base/text/deviceWords';
import type { QuestionId } from '../../job/records/questions';
import type { WishKind } from '../../job/records/wish';

/** What one outlet of a kind takes. The number of runs is a setting of the job. */
export type OutletRule = {
  words: string;
  /** Devices of its first runs; further ones are spare. */
  devices: readonly string[];
  runs: QuestionId;
  height: QuestionId;
  speedMbps: number;
  poeW: number;
  /** Kind of cable it asks for where the job's own choice is lower. */
  needsFaster: boolean;
};

const low: QuestionId = 'height-low';
const middle: QuestionId = 'height-desk';
const high: QuestionId = 'height-high';

/** Whether a run to this device is what an outlet's rule asks for. */
export const serves = (asked: string, device: string): boolean =>
  asked !== '' && (DEVICE_WORDS[asked]?.test(device) ?? asked === device);

/** Watts and speeds are common practice for the class of device; each run can be changed. */
export const OUTLET_RULES: Record<WishKind, OutletRule> = {
  television: {
    words: 'television point',
    devices: ['television', 'set-top box', 'player'],
    runs: 'runs-television',
    height: middle,
    speedMbps: 1000,
    poeW: 0,
    needsFaster: false,
  },
  desk: {
    words: 'desk',
    devices: ['computer', 'telephone'],
    runs: 'runs-desk',
    height: low,
    speedMbps: 1000,
    poeW: 0,
    needsFaster: false,
  },
  camera: {
    words: 'camera',
    devices: ['camera'],
    runs: 'runs-camera',
    height: high,
    speedMbps: 1000,
    poeW: 12,
    needsFaster: false,
  },
  'access-point': {
    words: 'access point',
    devices: ['access point'],
    runs: 'runs-access-point',
    height: high,
    speedMbps: 2500,
    poeW: 21,
    needsFaster: true,
  },
  speaker: {
    words: 'speaker point',
    devices: ['network speaker'],
    runs: 'runs-speaker',
    height: high,
    speedMbps: 100,
    poeW: 12,
    needsFaster: false,
  },
  'control-panel': {
    words: 'control panel',
    devices: ['control panel'],
    runs: 'runs-control-panel',
    height: middle,
    speedMbps: 100,
    poeW: 10,
    needsFaster: false,
  },
  telephone: {
    words: 'telephone',
    devices: ['telephone'],
    runs: 'runs-telephone',
    height: middle,
    speedMbps: 100,
    poeW: 5,
    needsFaster: false,
  },
  printer: {
    words: 'printer',
    devices: ['printer'],
    runs: 'runs-printer',
    height: low,
    speedMbps: 1000,
    poeW: 0,
    needsFaster: false,
  },
  other: {
    words: 'outlet',
    devices: [],
    runs: 'runs-other',
    height: low,
    speedMbps: 1000,
    poeW: 0,
    needsFaster: false,
  },
};
