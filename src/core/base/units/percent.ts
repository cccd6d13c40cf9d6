/** A part of a whole in whole percent: `81 %`. Of nothing, and of less than one, as of one. */
export const percent = (part: number, whole = 1): string => `${Math.round((100 * part) / Math.max(1, whole))} %`;
