/** A section of a sheet: heads of its columns with their shares of the width, and rows; text below them. */
export type SheetSection = {
  title: string;
  columns: readonly { head: string; share: number }[];
  rows: readonly (readonly string[])[];
  notes: readonly string[];
  /** A box to tick stands before each row. */
  ticked?: boolean;
};
