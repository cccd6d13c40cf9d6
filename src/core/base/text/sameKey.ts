/** Labels and names are the same when only case or outer space differ. */
export const sameKey = (text: string): string => text.trim().toLowerCase();
