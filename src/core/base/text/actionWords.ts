/** What stands before the words of a step when only half of it is done. */
export const ACTION_WORDS = {
  move: '',
  bring: '',
  remove: '',
  park: 'Set aside: ',
  fetch: 'Put back in: ',
} as const;
