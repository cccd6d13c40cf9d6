import { commonPractice } from '../../../base/standards/source';
import { fitRule } from '../fitRule';

export const deeperThanRack = fitRule(
  'deeper-than-rack',
  'too-deep',
  'wont-work',
  'Its body meets the back before its ears meet the rails. Plugs and cord bends need still more room.',
  commonPractice,
);
