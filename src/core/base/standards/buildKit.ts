/** How small parts are sold, by what their names begin with. Common practice, no source. */
export const packSizes = {
  cableM: [100, 305, 500],
  pieces: {
    Screws: [20, 50, 100],
    'Cage nuts': [20, 50, 100],
    'Keystone blanks': [10, 50],
    Ties: [10, 50, 100],
    Labels: [50, 200],
    Jack: [1, 10, 24],
    'Outlet jack': [1, 10, 24],
  } as Readonly<Record<string, readonly number[]>>,
} as const;

/** A label at each end. Common practice, no source. */
export const jackHabits = { labelsEach: 2 } as const;
