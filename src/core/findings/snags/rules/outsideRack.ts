import { rackDimensionsSource } from '../../../base/standards/rackDimensions';
import { fitRule } from '../fitRule';

export const outsideRack = fitRule(
  'outside-rack',
  'outside',
  'wont-work',
  'There are no rails to screw it to.',
  rackDimensionsSource,
);
