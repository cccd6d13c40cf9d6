import { refuse } from '../../base/text/refusal';

const MOST_BYTES = 20 * 1024 * 1024;

/** Bytes that text files do not hold: control characters other than tab, line ends and form feed. */
const looksBinary = (text: string): boolean => /[\u0000-\u0008\u000e-\u001a\u001c-\u001f]/.test(text.slice(0, 65_536));

/**
 * Text of a file, whatever program saved it: UTF-8 or UTF-16 with their marks, UTF-8 without, else Windows-1252.
 * @throws Refusal when it is too large or is not text
 */
export function decodeText(bytes: Uint8Array): { text: string; encoding: string } {
  if (bytes.length > MOST_BYTES) {
    refuse('too-large', `The file has ${Math.round(bytes.length / 1e6)} MB; expected at most 20 MB of text.`);
  }
  const [a, b] = bytes;
  const mark = a === 0xff && b === 0xfe ? 'utf-16le' : a === 0xfe && b === 0xff ? 'utf-16be' : null;
  let encoding: string = mark ?? 'utf-8';
  let text: string;
  try {
    text = new TextDecoder(encoding, { fatal: true }).decode(bytes);
  } catch {
    encoding = mark ?? 'windows-1252';
    text = new TextDecoder(encoding).decode(bytes);
  }
  if (looksBinary(text)) {
    refuse(
      'not-text',
      'This is not a text file: expected CSV, with one run a row. Save the sheet as CSV and try again.',
    );
  }
  return { text, encoding };
}
