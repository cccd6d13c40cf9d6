import { plugSource } from '../../standards/plugRoom';
import { fitRule } from '../fitRule';

export const doorStaysOpen = fitRule(
  'door-stays-open',
  'door-shut',
  'will-bite',
  'A door pressed against plugs bends the cords below their least radius, or is left open for good.',
  plugSource,
);
