/** Gravest first. What is not judged is no finding: it is listed once for each thing, apart from them. */
export const GRADES = ['wont-work', 'will-bite', 'not-judged', 'could-be-neater'] as const;
export type Grade = (typeof GRADES)[number];
export const GRADE_WORDS: Record<Grade, string> = {
  'wont-work': 'will not work',
  'will-bite': 'will cause trouble',
  'not-judged': 'not judged',
  'could-be-neater': 'could be neater',
};
