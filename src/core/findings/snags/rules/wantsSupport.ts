import { commonPractice } from '../../../base/standards/source';
import { fitRule } from '../fitRule';

export const wantsSupport = fitRule(
  'wants-support',
  'no-support',
  'will-bite',
  'Ears bend and tear under what is deep and heavy. A rear support or a shelf beneath carries it.',
  commonPractice,
);
