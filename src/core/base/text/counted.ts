/** `1,234`. Whole numbers only: the formatter of the platform takes 15 ms to set up, in which a job could be opened. */
export const grouped = (count: number): string => String(count).replace(/\B(?=(\d{3})+$)/g, ',');

/** `1 run`, `6 runs`. */
export function counted(count: number, one: string, many = `${one}s`): string {
  return `${grouped(count)} ${count === 1 ? one : many}`;
}
