/** Fields of cords by what they were called while a cord only went from a panel to a switch. */
export const CORD_FIELDS = [
  ['panelId', 'fromId'],
  ['panelPort', 'fromPort'],
  ['switchId', 'toId'],
  ['switchPort', 'toPort'],
] as const;
