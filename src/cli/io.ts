import { readFileSync, renameSync, writeFileSync } from 'node:fs';
import { refuse } from '../core/base/text/refusal';
import { decodeText } from '../core/exchange/formats/decodeText';
import type { Options } from './options';

export const say = (text: string) => process.stderr.write(`${text}\n`);

export function readBytes(path: string): Uint8Array {
  try {
    return readFileSync(path === '-' ? 0 : path);
  } catch (fault) {
    const reason =
      (fault as NodeJS.ErrnoException).code === 'ENOENT' ? 'there is no such file' : String((fault as Error).message);
    return refuse('cannot-read', `${path}: ${reason}.`);
  }
}

export const readText = (path: string) => decodeText(readBytes(path)).text;

/** Written beside and then renamed, so that a file is never half-written. */
export function write(path: string | undefined, text: string | Uint8Array): void {
  if (path === undefined || path === '-') {
    process.stdout.write(text);
    return;
  }
  const beside = `${path}.${process.pid}.part`;
  try {
    writeFileSync(beside, text);
    renameSync(beside, path);
  } catch (fault) {
    refuse('cannot-write', `${path}: ${(fault as Error).message}.`);
  }
}

export function needOut(options: Options): string {
  return options.out ?? refuse('usage', 'Say where to write with -o FILE, or -o - for standard output.');
}
