import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { isNow } from '../../../job/records/run';
import { type Finding, runsNotJudged, type SnagRule } from '../snag';

export const inheritedUnsure: SnagRule = {
  id: 'inherited-unsure',
  why: 'An existing cable may be cut, kinked or spliced. Test it before it goes into service.',
  source: commonPractice,
  stations: ['runs'],
  reads: { runs: ['id', 'label', 'origin', 'state', 'device', 'scope'] },
  find: ({ runsInOrder }) => {
    const found = runsInOrder.filter((run) => run.origin === 'found' && isNow(run));
    const say = (runs: typeof found, grade: Finding['grade'], words: string): Finding[] => {
      const [first] = runs;
      if (!first) return [];
      const what =
        runs.length === 1
          ? `${first.label} ${words}.`
          : `${counted(runs.length, 'inherited cable')} ${words}, ${first.label} first.`;
      return [{ grade, runIds: [first.id], rowIds: [words], what }];
    };
    const failed = found.filter((run) => run.state === 'failed');
    return [
      ...say(
        failed.filter((run) => run.device !== ''),
        'wont-work',
        'failed its test and has a device on it',
      ),
      ...say(
        failed.filter((run) => run.device === ''),
        'will-bite',
        'failed its test',
      ),
      ...runsNotJudged(
        found.filter((run) => run.state !== 'failed' && run.state !== 'tested'),
        'inherited cable',
        'a test of it',
      ),
    ];
  },
};
