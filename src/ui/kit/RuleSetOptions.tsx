import { RULE_SETS, ruleSets } from '@/core/base/standards/ruleSets';

/** The regions whose rules a job can have, to choose from. */
export const RuleSetOptions = () =>
  RULE_SETS.map((one) => (
    <option key={one} value={one}>
      {ruleSets[one].name}
    </option>
  ));
