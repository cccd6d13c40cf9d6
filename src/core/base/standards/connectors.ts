/** Port openings that gear has. */
export const CONNECTORS = ['rj45', 'keystone', 'sfp', 'sfp+', 'sfp28', 'qsfp28', 'lc', 'sc', 'f'] as const;
export type Connector = (typeof CONNECTORS)[number];
