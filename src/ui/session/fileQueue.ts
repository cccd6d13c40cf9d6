import { z } from 'zod';
import { KeptFiles, PIECE_BYTES, Pieces, SMALL } from '@/core/exchange/wire/kept';
import { CannotBeDone, NoNetwork, Unwell } from './faults';
import type { FileBody, WaitingFile } from './shelves';
import { bodyOf, dropFile, filesHere, markFile, readFiles, watchFiles } from './waitingFiles';
import { askServer } from './wireClient';

const LOCK = 'good-shelf files';
const LONGEST_MS = 60_000;
const AGAIN_MS = [1000, 3000, 8000, 20_000, 30_000];
/** A file that a server which is otherwise well fails to take so often is set aside. */
const MOST_FAILURES = 5;
/** Ailments of the server that have nothing to do with the file. */
const NOT_THE_FILE: ReadonlySet<string> = new Set([
  'busy',
  'database-away',
  'not-understood',
  'signed-out',
  'too-many',
  'updating',
]);

const hex = (bytes: ArrayBuffer): string =>
  Array.from(new Uint8Array(bytes), (byte) => byte.toString(16).padStart(2, '0')).join('');

/** Bring one picture to the server in pieces, those that are there already left out. */
async function sendPieces(
  jobId: string,
  meta: { id: string; about: string; name: string; by: string },
  bytes: Uint8Array<ArrayBuffer>,
): Promise<void> {
  const url = `/api/jobs/${jobId}/pieces`;
  const words = (more: Record<string, string> = {}) => new URLSearchParams({ file: meta.id, ...more });
  const { have } = await askServer(`${url}?${words()}`, Pieces);
  const pieces = Math.ceil(bytes.byteLength / PIECE_BYTES);
  for (let at = 0; at < pieces; at++) {
    if (have.includes(at)) continue;
    const body = bytes.slice(at * PIECE_BYTES, (at + 1) * PIECE_BYTES);
    await askServer(`${url}?${words({ at: String(at) })}`, Pieces, { method: 'POST', body, longestMs: LONGEST_MS });
  }
  const sha256 = hex(await crypto.subtle.digest('SHA-256', bytes));
  const body = { kind: 'photo', ...meta, pieces, sha256 };
  await askServer(url, KeptFiles, { method: 'POST', body, longestMs: LONGEST_MS });
}

const PIECE = 0x8000;
/** Octets as base64, piece by piece: one call takes only so many. */
function toBase64(bytes: Uint8Array): string {
  let text = '';
  for (let at = 0; at < bytes.length; at += PIECE) text += String.fromCharCode(...bytes.subarray(at, at + PIECE));
  return btoa(text);
}

const MOST_VALUES = 1_000;

async function send({ jobId, id, kind, about, name, by }: WaitingFile, body: FileBody): Promise<void> {
  const meta = { id, about, name, by };
  if (kind === 'photo') {
    await sendPieces(jobId, meta, body.whole);
    if (body.small) await sendPieces(jobId, { ...meta, id: `${id}${SMALL}` }, body.small);
    return;
  }
  const url = `/api/jobs/${jobId}`;
  const file = { ...meta, kind, base64: toBase64(body.whole) };
  await askServer(`${url}/kept`, KeptFiles, { method: 'POST', body: file, longestMs: LONGEST_MS });
  for (let at = 0; at < body.values.length; at += MOST_VALUES)
    await askServer(`${url}/results`, z.object({ kept: z.number() }), {
      method: 'POST',
      body: { results: body.values.slice(at, at + MOST_VALUES) },
      longestMs: LONGEST_MS,
    });
}

/** Bring one file to the server. What it refuses is set aside here with all that is in it. @throws NoNetwork or Unwell */
async function bring(file: WaitingFile): Promise<void> {
  const body = await bodyOf(file.id);
  // Another window dealt with it meanwhile.
  if (!body) return dropFile(file.id);
  try {
    await send(file, body).catch((fault: unknown) => {
      // What arrived was not what was sent: its pieces are gone, and all of it is sent once more.
      if (fault instanceof CannotBeDone && fault.code === 'pieces-wrong') return send(file, body);
      throw fault;
    });
    await dropFile(file.id);
  } catch (fault) {
    if (!(fault instanceof CannotBeDone)) throw fault;
    await markFile(file.id, fault.message);
  }
}

const failures = new Map<string, number>();
let wake: (() => void) | null = null;
let draining = false;

const pause = (ms: number) =>
  new Promise<void>((over) => {
    const timer = setTimeout(over, ms);
    wake = () => {
      clearTimeout(timer);
      over();
    };
  });

/** Bring what waits, one after the other, until nothing does. */
async function work(): Promise<void> {
  let tries = 0;
  for (;;) {
    await readFiles();
    const file = filesHere.getState().files.find(({ why }) => why === null);
    if (!file) return;
    try {
      await bring(file);
      tries = 0;
      filesHere.setState({ trouble: null });
    } catch (fault) {
      const unwell = fault instanceof Unwell ? fault.code : null;
      if (unwell === null && !(fault instanceof NoNetwork)) throw fault;
      filesHere.setState({
        trouble: unwell === null ? 'away' : unwell === 'signed-out' ? 'signed-out' : 'unwell',
      });
      if (unwell !== null && !NOT_THE_FILE.has(unwell)) {
        const count = (failures.get(file.id) ?? 0) + 1;
        failures.set(file.id, count);
        if (count >= MOST_FAILURES)
          await markFile(file.id, `The server failed ${count} times to take it. ${(fault as Error).message}`);
      }
      await pause(AGAIN_MS[Math.min(tries, AGAIN_MS.length - 1)] ?? 30_000);
      tries += 1;
    }
  }
}

/** Bring all files that wait in this browser to the server, of whatever job; one window does it for all. */
async function drain(): Promise<void> {
  if (draining) return;
  draining = true;
  try {
    await (navigator.locks ? navigator.locks.request(LOCK, work) : work());
  } catch (fault) {
    // Not of the network nor of the server: ours. What waits stays kept.
    console.error(fault);
    filesHere.setState({ trouble: 'unwell' });
  } finally {
    draining = false;
  }
}

/** Try at once what waits. */
export function tryFilesNow(): void {
  wake?.();
  void drain();
}

let started = false;
/** From any page: what waits goes on its way, now and whenever there is a network again. */
export function startFiles(): void {
  if (started) return;
  started = true;
  watchFiles(() => void drain());
  window.addEventListener('online', tryFilesNow);
  document.addEventListener('visibilitychange', () => document.visibilityState === 'visible' && tryFilesNow());
  void drain();
}
