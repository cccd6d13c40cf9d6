/** How many examples a property is asked: few in `bin/test`, which has to end soon, and many in `npm run trial -- tests`. */
export const examples = (few: number, many: number): number => (process.env.SHELF_LONG ? many : few);
