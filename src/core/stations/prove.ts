import { STATION_NAMES } from '../job/stationIds';
import { firstPassYield } from '../proving/figures';
import { gateOf } from '../proving/gate';
import { PROOF_READS, proofs } from '../proving/proof';
import { percent } from '../units/percent';
import { partOf, type Station } from './station';

export const prove: Station = {
  id: 'prove',
  name: STATION_NAMES.prove,
  about: 'every run tested, and faults found in the fewest minutes',
  tables: ['testers', 'results', 'acceptances', 'addresses', 'mends', 'partOdds', 'vouches'],
  reads: PROOF_READS,
  progress: ({ job }) => {
    const all = proofs(job);
    return [all.filter(({ state }) => state === 'proven' || state === 'accepted').length, all.length];
  },
  figures: ({ job }) => {
    const all = proofs(job);
    const of = (wanted: string) => all.filter(({ state }) => state === wanted).length;
    const { tested, passedFirst, low, high } = firstPassYield(job);
    const others = gateOf(job).filter(({ kind }) => kind !== 'run');
    return [
      { name: 'Proven', value: partOf(of('proven'), all.length) },
      { name: 'Failed', value: String(of('failed')) },
      { name: 'Looked at in part', value: String(of('partly')) },
      { name: 'Not tested', value: String(of('not tested')) },
      { name: 'Accepted without', value: String(of('accepted')) },
      { name: 'Cords, uplinks, feeds open', value: String(others.filter(({ open }) => open).length) },
      { name: 'Passed at first', value: tested === 0 ? 'none tested' : partOf(passedFirst, tested) },
      ...(tested === 0 ? [] : [{ name: 'Fail at first, 95 %', value: `${percent(low, 1)} to ${percent(high, 1)}` }]),
    ];
  },
};
