/** How a figure of a job can be reckoned once more by the handbook: the entry, and the job's own numbers for it. */
export type Reckoning = { entry: string; given: Readonly<Record<string, string | number>> };
