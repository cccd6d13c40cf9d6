import { commonPractice } from '../../../base/standards/source';
import { fitRule } from '../fitRule';

export const nothingHoldsIt = fitRule(
  'nothing-holds-it',
  'no-ears',
  'wont-work',
  'Without ears and rails there is nothing to screw.',
  commonPractice,
);
