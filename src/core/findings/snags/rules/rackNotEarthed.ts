import { published } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { answerOf } from '../../../trade/survey/answers/answers';
import { notJudged, type SnagRule } from '../snag';

export const rackNotEarthed: SnagRule = {
  id: 'rack-not-earthed',
  why: 'A fault makes bare metal live, and screens without a good earth gain nothing. Bonding is done by local code, each rack on its own, not over another.',
  source: published('ANSI/TIA-607; EN 50310; ISO/IEC 30129'),
  stations: ['power'],
  reads: { racks: ['id', 'name', 'material'], plugs: true, answers: true },
  find: ({ job }) => {
    const earthed = answerOf(job, 'rack-earthed');
    const metal = Object.values(job.racks).filter(({ material }) => material !== 'plastic' && material !== 'wood');
    if (earthed === 'yes' || metal.length === 0 || Object.keys(job.plugs).length === 0) return [];
    const names = listed(metal.map(({ name }) => name));
    const rackIds = metal.map(({ id }) => id);
    return earthed === 'no'
      ? [{ grade: 'wont-work', rackIds, what: `${names}: rack, rails, door and sides are not bonded to earth.` }]
      : [notJudged({ rackIds }, names, 'earthing', ['whether rack, rails, door and sides are bonded to earth'])];
  },
};
