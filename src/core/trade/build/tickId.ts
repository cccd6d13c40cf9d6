/** FNV-1a over the letters of a text, 32 bits. */
function hash(text: string, start: number): number {
  let mixed = start;
  for (let at = 0; at < text.length; at++) mixed = Math.imul(mixed ^ text.charCodeAt(at), 0x01000193);
  return mixed >>> 0;
}

/** The id of a row that is about one thing: the same for two people who tick it at once. */
export const idFor = (prefix: string, key: string): string =>
  `${prefix}-${hash(key, 0x811c9dc5).toString(36)}${hash(`${key}#`, 0x01234567).toString(36)}`;
