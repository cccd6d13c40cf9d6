/** Where a figure comes from. Shown beside every check that uses it. */
export type Source = {
  /** Title of the standard or of the habit, with edition or clause where known. */
  title: string;
  /** `published`: stands so in the source. `from memory`: verify against the edition in force. */
  mark: 'published' | 'from memory' | 'common practice';
};

export const published = (title: string): Source => ({ title, mark: 'published' });
export const fromMemory = (title: string): Source => ({ title, mark: 'from memory' });
export const commonPractice: Source = {
  title: 'rule of thumb',
  mark: 'common practice',
};

/** One line for the docket, the command line and print. */
export function citeSource(source: Source): string {
  return source.mark === 'from memory' ? `${source.title} (from memory)` : source.title;
}
