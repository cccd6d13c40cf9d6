import { createHash } from 'node:crypto';

// An archive ends with a record of 22 bytes, the length of its comment in the last two, and then the comment
// (PKWARE APPNOTE 4.3.16). The sum of all before stands there: readers overlook what they do not use, so that a
// changed byte in a header would otherwise pass.
const END_RECORD = 22;
const END_SIGNATURE = 0x06054b50;
const SEAL = 64;

const sumOf = (bytes: Uint8Array): string => createHash('sha256').update(bytes).digest('hex');

/** The archive with the SHA-256 sum of all its bytes as its comment. @param archive one without a comment */
export function sealed(archive: Uint8Array): Uint8Array {
  const whole = new Uint8Array(archive.length + SEAL);
  whole.set(archive);
  new DataView(whole.buffer).setUint16(archive.length - 2, SEAL, true);
  whole.set(new TextEncoder().encode(sumOf(whole.subarray(0, archive.length))), archive.length);
  return whole;
}

/** Whether an archive that carries a seal is not what was sealed. One that was packed anew carries none. */
export function sealBroken(archive: Uint8Array): boolean {
  const end = archive.length - SEAL;
  if (end < END_RECORD) return false;
  const view = new DataView(archive.buffer, archive.byteOffset, archive.byteLength);
  if (view.getUint32(end - END_RECORD, true) !== END_SIGNATURE) return false;
  return new TextDecoder().decode(archive.subarray(end)) !== sumOf(archive.subarray(0, end));
}
