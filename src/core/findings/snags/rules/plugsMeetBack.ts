import { plugSource } from '../../../base/standards/plugRoom';
import { fitRule } from '../fitRule';

export const plugsMeetBack = fitRule(
  'plugs-meet-back',
  'plugs-behind',
  'will-bite',
  'Plugs that are pressed against the back work loose or break their inlet. An angled plug may be the way out: set its room under the device.',
  plugSource,
);
