import { commonPractice } from '../../../base/standards/source';
import { fitRule } from '../fitRule';

export const railsDoNotReach = fitRule(
  'rails-do-not-reach',
  'rails-reach',
  'wont-work',
  'Slide rails have a least and a greatest length. Set the rear rails of the rack, or choose other rails.',
  commonPractice,
  {
    check: 'rails',
    missing: ({ rails, railLeastMm, railMostMm }) =>
      rails === 'needed' && (railLeastMm === null || railMostMm === null) ? ['how far its rails reach'] : [],
  },
);
