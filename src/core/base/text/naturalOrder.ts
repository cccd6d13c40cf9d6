const collator = new Intl.Collator('en', { numeric: true, sensitivity: 'base' });

/** Order in which people read labels: `GF-2` before `GF-10`, case ignored, ties by code unit. */
export function naturalOrder(a: string, b: string): number {
  return collator.compare(a, b) || (a < b ? -1 : a > b ? 1 : 0);
}
