/** A sum of which some parts are not known: it comes to at least so much. */
export type AtLeast = { sum: number; unknown: number };

/** Add up what is known and count what is not. */
export function atLeast(parts: Iterable<number | null>): AtLeast {
  let [sum, unknown] = [0, 0];
  for (const part of parts) {
    if (part === null) unknown += 1;
    else sum += part;
  }
  return { sum, unknown };
}

export const together = (parts: Iterable<AtLeast>): AtLeast => {
  let [sum, unknown] = [0, 0];
  for (const part of parts) {
    sum += part.sum;
    unknown += part.unknown;
  }
  return { sum, unknown };
};

/** `12.3 kg`, `at least 12.3 kg, 2 unknown`. Nothing known at all is `unknown`. */
export function atLeastWords({ sum, unknown }: AtLeast, format: (value: number) => string): string {
  if (unknown === 0) return format(sum);
  return sum === 0 ? 'unknown' : `at least ${format(sum)}, ${unknown} unknown`;
}

/** The same where there is little room: `≥ 12.3 kg`, `?`. */
export function atLeastShort({ sum, unknown }: AtLeast, format: (value: number) => string): string {
  if (unknown === 0) return format(sum);
  return sum === 0 ? '?' : `≥ ${format(sum)}`;
}
