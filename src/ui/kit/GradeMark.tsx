import { GRADE_WORDS, type Grade } from '@/core/base/text/grade';

const SHAPES: Record<Grade, React.ReactNode> = {
  'wont-work': (
    <>
      <rect x="1.5" y="1.5" width="13" height="13" fill="currentColor" />
      <path d="M5 5l6 6M11 5l-6 6" stroke="var(--sheet)" strokeWidth="2.2" />
    </>
  ),
  'will-bite': (
    <>
      <path d="M8 1l7.4 13.5H.6z" fill="currentColor" />
      <path d="M8 5.6v4.6M8 11.6v1.6" stroke="var(--sheet)" strokeWidth="1.9" />
    </>
  ),
  'not-judged': (
    <>
      <circle cx="8" cy="8" r="6.4" fill="none" stroke="currentColor" strokeWidth="1.6" strokeDasharray="2.4 1.8" />
      <path
        d="M6 6.4a2 2 0 1 1 2.6 1.9c-.5.2-.6.5-.6 1M8 11.2v.9"
        stroke="currentColor"
        strokeWidth="1.5"
        fill="none"
      />
    </>
  ),
  'could-be-neater': <circle cx="8" cy="8" r="5.6" fill="none" stroke="currentColor" strokeWidth="2.4" />,
};
export const GRADE_INK: Record<Grade, string> = {
  'wont-work': 'text-wont',
  'will-bite': 'text-bite',
  'not-judged': 'text-soft',
  'could-be-neater': 'text-neater',
};

/** The mark of a grade: told apart by shape as well as colour, with its word for those who do not see it. */
export function GradeMark({ grade, size = 15 }: { grade: Grade; size?: number }) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 16 16"
      role="img"
      aria-label={GRADE_WORDS[grade]}
      className={`shrink-0 ${GRADE_INK[grade]}`}
    >
      {SHAPES[grade]}
    </svg>
  );
}
