/** Choices that earlier versions wrote as words with blanks between them. */
export const WORDED_CHOICES = [
  ['gear', 'inOutage'],
  ['pathways', 'containment'],
  ['results', 'screen'],
  ['mends', 'symptom'],
  ['partOdds', 'symptom'],
] as const;

/** `may go` is `may-go` since. */
export const choiceCode = (value: unknown): unknown => (typeof value === 'string' ? value.replaceAll(' ', '-') : value);
