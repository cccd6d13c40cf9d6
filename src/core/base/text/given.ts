/** The words that were given; those that were left out are not there at all. */
export function given<T extends object>(words: T): { [W in keyof T]?: Exclude<T[W], undefined> } {
  return Object.fromEntries(Object.entries(words).filter(([, word]) => word !== undefined)) as never;
}
