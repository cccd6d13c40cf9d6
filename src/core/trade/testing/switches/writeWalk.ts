import { TREE, type TreeValue } from './managementTree';

/** Text as walks print it. */
const quoted = (value: string): string => `"${value.replace(/[\\"]/g, (one) => `\\${one}`)}"`;

const placeOf = ({ column, index }: TreeValue): number[] => [...TREE[column].split('.').map(Number), ...index];

/** Which of two places of the tree an agent comes to first. */
function order(a: readonly number[], b: readonly number[]): number {
  const at = a.findIndex((one, slot) => one !== b[slot]);
  return at < 0 ? a.length - b.length : (a[at] ?? 0) - (b[at] ?? -1);
}

/** Values as a walk prints them with numbers, in the order of the tree. */
export const writeWalk = (values: readonly TreeValue[]): string =>
  values
    .map((value) => ({ value, place: placeOf(value) }))
    .sort((a, b) => order(a.place, b.place))
    .map(({ value }) => value)
    .map(
      ({ column, index, type, value }) =>
        `.${TREE[column]}.${index.join('.')} = ${type}: ${type === 'STRING' ? quoted(value) : value}\n`,
    )
    .join('');
