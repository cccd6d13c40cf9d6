import { commonPractice } from '../../../base/standards/source';
import { fitRule } from '../fitRule';

export const meetsRearGear = fitRule(
  'meets-rear-gear',
  'meets-rear',
  'wont-work',
  'Two bodies cannot share the depth of a unit.',
  commonPractice,
);
