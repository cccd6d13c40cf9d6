import { STATION_NAMES } from '../../job/records/stationIds';
import { careDates } from '../../trade/build/care/careDates';
import { GATE_READS, gateOf } from '../../trade/testing/gate';
import { partOf, type Station } from './station';

export const handover: Station = {
  id: 'handover',
  name: STATION_NAMES.handover,
  about: 'the pack, what stays true afterwards, and the next device',
  reads: GATE_READS,
  progress: ({ job }) => {
    const gate = gateOf(job);
    return [gate.filter(({ open }) => !open).length, gate.length];
  },
  figures: ({ job }) => {
    const gate = gateOf(job);
    const open = gate.filter((one) => one.open);
    // The core has no clock: what is overdue is said where today is known.
    const care = careDates(job, '0000-01-01');
    return [
      { id: 'proven-or-accepted', name: 'Proven or accepted', value: partOf(gate.length - open.length, gate.length) },
      { id: 'dates-of-care', name: 'Dates of care', value: String(care.filter(({ due }) => due !== null).length) },
      { id: 'dates-not-known', name: 'Dates not known', value: String(care.filter(({ due }) => due === null).length) },
    ];
  },
};
