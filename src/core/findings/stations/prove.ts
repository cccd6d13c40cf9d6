import { percent } from '../../base/units/percent';
import { STATION_NAMES } from '../../job/records/stationIds';
import { firstPassYield } from '../../trade/testing/figures';
import { gateOf } from '../../trade/testing/gate';
import { isSettled, PROOF_READS, proofs } from '../../trade/testing/proof';
import { partOf, type Station } from './station';

const ENOUGH_TESTS = 8;

export const prove: Station = {
  id: 'prove',
  name: STATION_NAMES.prove,
  about: 'every run tested, and faults found in the fewest minutes',
  reads: PROOF_READS,
  progress: ({ job }) => {
    const all = proofs(job);
    return [all.filter(isSettled).length, all.length];
  },
  figures: ({ job }) => {
    const all = proofs(job);
    const of = (wanted: string) => all.filter(({ state }) => state === wanted).length;
    const { tested, passedFirst, low, high } = firstPassYield(job);
    const others = gateOf(job).filter(({ kind }) => kind !== 'run');
    return [
      { id: 'passed', name: 'Passed', value: partOf(of('passed'), all.length) },
      { id: 'failed', name: 'Failed', value: String(of('failed')) },
      { id: 'incomplete', name: 'Incomplete', value: String(of('incomplete') + of('not judged')) },
      { id: 'not-tested', name: 'Not tested', value: String(of('not tested')) },
      { id: 'accepted-untested', name: 'Accepted untested', value: String(of('accepted')) },
      {
        id: 'cords-uplinks-feeds-to-sign-off',
        name: 'Cords, uplinks, feeds to sign off',
        value: String(others.filter(({ open }) => open).length),
      },
      {
        id: 'passed-at-first',
        name: 'Passed at first',
        value: tested === 0 ? 'none tested' : partOf(passedFirst, tested),
      },
      // From a few tests nothing can be said of how many fail.
      ...(tested < ENOUGH_TESTS
        ? []
        : [
            {
              id: 'fail-at-first-95-percent',
              name: 'Fail at first, 95 %',
              value: `${percent(low, 1)} to ${percent(high, 1)}`,
            },
          ]),
    ];
  },
};
