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
  title: 'common practice',
  mark: 'common practice',
};

/** One line for screens and papers. Whether a value was checked against the text is kept in the handbook. */
export const citeSource = (source: Source): string => source.title;

/** The same for the handbook, which says what was not checked against the published text. */
export const citeWithMark = ({ title, mark }: Source): string =>
  mark === 'from memory' ? `${title} (not checked against the published text)` : title;
