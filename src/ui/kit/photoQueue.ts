import { type KeptFile, KeptFiles, PIECE_BYTES, Pieces, SMALL } from '@/core/wire/kept';
import { CannotBeDone } from '../job/faults';
import { type WaitingPhoto, waitingPhotos } from '../job/outbox';
import { askServer } from '../job/wireClient';

const LOCK = 'good-shelf photographs';
const LONGEST_MS = 60_000;

const hex = (bytes: ArrayBuffer): string =>
  Array.from(new Uint8Array(bytes), (byte) => byte.toString(16).padStart(2, '0')).join('');

/** Bring one picture to the server in pieces, those that are there already left out. */
async function sendPieces(
  jobId: string,
  meta: { id: string; about: string; name: string; by: string },
  bytes: Uint8Array<ArrayBuffer>,
): Promise<KeptFile[]> {
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
  return askServer(url, KeptFiles, { method: 'POST', body, longestMs: LONGEST_MS });
}

async function send(photo: WaitingPhoto): Promise<KeptFile[]> {
  const { jobId, id, about, name, by, whole, small } = photo;
  await sendPieces(jobId, { id, about, name, by }, whole);
  return sendPieces(jobId, { id: `${id}${SMALL}`, about, name, by }, small);
}

/**
 * Bring the photographs that wait to the server, one after the other, of one window at a time. What cannot be kept there is
 * told and goes; what has no way there waits on.
 * @returns the files of the job where one arrived; null where none did
 */
export function drainPhotographs(jobId: string, tell: (words: string) => void): Promise<KeptFile[] | null> {
  const work = async (): Promise<KeptFile[] | null> => {
    let files: KeptFile[] | null = null;
    for (const photo of await waitingPhotos.list(jobId)) {
      try {
        files = await send(photo);
      } catch (fault) {
        if (!(fault instanceof CannotBeDone)) return files;
        tell(`${photo.name}: ${fault.message}`);
      }
      await waitingPhotos.remove(photo.id);
    }
    return files;
  };
  return navigator.locks ? navigator.locks.request(`${LOCK} ${jobId}`, work) : work();
}
