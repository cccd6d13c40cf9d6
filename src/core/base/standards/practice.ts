/** Rules of thumb. Common practice, no source. */
export const practice = {
  /** Warn when this share of units, ports or watts is used: what is bought exactly full is full within the year. */
  fullShare: 0.8,
} as const;
