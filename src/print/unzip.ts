import { Unzip, UnzipInflate, UnzipPassThrough, unzipSync } from 'fflate';
import { refuse } from '../core/base/text/refusal';

export type UnzipLimits = {
  /** What is unpacked at most, all files together, bytes. */
  bytes: number;
  files: number;
};

/** So much is unpacked between two looks at the limit, bytes: packed a thousand times smaller it is 16 MB. */
const PIECE = 16 * 1024;

/**
 * Files of an archive by name.
 * @param wanted which of them are unpacked
 * @returns null where it is no archive, or a broken one
 * @throws Refusal when it holds more than its limits, whatever it says that it holds
 */
export function unzip(
  bytes: Uint8Array,
  limits: UnzipLimits,
  wanted: (name: string) => boolean = () => true,
): Map<string, Uint8Array> | null {
  const tooLarge = (): never =>
    refuse('pack', `The archive holds more than ${limits.bytes / 1024 / 1024} MB or ${limits.files} files.`);
  const listed = new Set<string>();
  let said = 0;
  try {
    // The list at its end, which may say anything of how much there is.
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        if (wanted(name)) said += originalSize;
        listed.add(name);
        return false;
      },
    });
  } catch {
    return null;
  }
  if (said > limits.bytes || listed.size > limits.files) tooLarge();
  const parts = new Map<string, Uint8Array[]>();
  const ended = new Set<string>();
  let size = 0;
  let broken = false;
  const stream = new Unzip((file) => {
    if (!listed.has(file.name) || !wanted(file.name)) return;
    const mine: Uint8Array[] = [];
    parts.set(file.name, mine);
    file.ondata = (fault, part, final) => {
      if (fault) broken = true;
      size += part?.byteLength ?? 0;
      if (part) mine.push(part);
      if (final) ended.add(file.name);
    };
    file.start();
  });
  stream.register(UnzipInflate);
  stream.register(UnzipPassThrough);
  try {
    for (let at = 0; at < bytes.length && !broken; at += PIECE) {
      stream.push(bytes.subarray(at, at + PIECE), at + PIECE >= bytes.length);
      if (size > limits.bytes) tooLarge();
    }
  } catch (fault) {
    if (fault instanceof Error && fault.name === 'Refusal') throw fault;
    return null;
  }
  const all = [...listed].filter((name) => wanted(name));
  if (broken || all.some((name) => !ended.has(name))) return null;
  return new Map(all.map((name) => [name, joined(parts.get(name) ?? [])]));
}

function joined(parts: readonly Uint8Array[]): Uint8Array {
  if (parts.length === 1 && parts[0]) return parts[0];
  const whole = new Uint8Array(parts.reduce((sum, part) => sum + part.byteLength, 0));
  let at = 0;
  for (const part of parts) {
    whole.set(part, at);
    at += part.byteLength;
  }
  return whole;
}
