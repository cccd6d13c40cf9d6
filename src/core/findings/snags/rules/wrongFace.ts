import { rackDimensionsSource } from '../../../base/standards/rackDimensions';
import { fitRule } from '../fitRule';

export const wrongFace = fitRule(
  'wrong-face',
  'wrong-face',
  'wont-work',
  'It cannot be fixed there.',
  rackDimensionsSource,
);
