/**
 * A text as it fits: whole, or with its middle left out. What tells names apart is mostly at their ends.
 * @param fits whether so much has room
 */
export function shortened(text: string, fits: (text: string) => boolean): string {
  if (fits(text)) return text;
  const letters = Array.from(text);
  let [least, most] = [0, letters.length - 1];
  const keep = (count: number) =>
    `${letters
      .slice(0, Math.ceil(count / 2))
      .join('')
      .trimEnd()}…${letters
      .slice(letters.length - Math.floor(count / 2))
      .join('')
      .trimStart()}`;
  while (least < most) {
    const middle = Math.ceil((least + most) / 2);
    if (fits(keep(middle))) least = middle;
    else most = middle - 1;
  }
  return keep(least);
}
