/** What is chosen on the plan. */
export type Chosen = { table: 'rooms' | 'places' | 'floors'; id: string } | null;
