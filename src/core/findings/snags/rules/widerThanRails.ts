import { rackDimensionsSource } from '../../../base/standards/rackDimensions';
import { fitRule } from '../fitRule';

export const widerThanRails = fitRule(
  'wider-than-rails',
  'too-wide',
  'wont-work',
  'It does not pass between the rails, or its ears do not meet them.',
  rackDimensionsSource,
);
