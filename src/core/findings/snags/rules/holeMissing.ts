import { rackDimensionsSource } from '../../../base/standards/rackDimensions';
import { fitRule } from '../fitRule';

export const holeMissing = fitRule(
  'hole-missing',
  'no-hole',
  'wont-work',
  'The wide pattern has holes 1 and 3 of each unit only.',
  rackDimensionsSource,
);
