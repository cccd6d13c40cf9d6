import { createStore } from 'zustand';
import { type FileBody, NAME, openShelves, type WaitingFile } from './shelves';

/** What keeps files from the server. */
export type FileTrouble = 'away' | 'unwell' | 'signed-out';

/** Files of all jobs that wait in this browser, or were set aside in it, for all that show them. */
export const filesHere = createStore<{ files: readonly WaitingFile[]; trouble: FileTrouble | null }>()(() => ({
  files: [],
  trouble: null,
}));

const channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel(`${NAME} files`);
let watching = false;

/** Read anew what waits, here and in the other windows. */
async function changed(): Promise<void> {
  channel?.postMessage('changed');
  await readFiles();
}

export async function readFiles(): Promise<void> {
  const files = await (await openShelves()).getAll('files').catch(() => []);
  filesHere.setState({ files: files.sort((a, b) => a.at - b.at) });
}

/** Keep what waits in view, whatever window changes it. @param heard called when another one did */
export function watchFiles(heard: () => void): void {
  if (watching) return;
  watching = true;
  channel?.addEventListener('message', () => void readFiles().then(heard));
  void readFiles().catch(() => undefined);
}

/** Keep a file in this browser until the server has it. @throws when there is no room for it */
export async function addFile(file: Omit<WaitingFile, 'why'>, body: Omit<FileBody, 'id'>): Promise<void> {
  const write = (await openShelves()).transaction(['files', 'bodies'], 'readwrite', { durability: 'strict' });
  await write.objectStore('files').put({ ...file, why: null });
  await write.objectStore('bodies').put({ ...body, id: file.id });
  await write.done;
  await changed();
}

/** The server has it, or the person does not want it any more. */
export async function dropFile(id: string): Promise<void> {
  const write = (await openShelves()).transaction(['files', 'bodies'], 'readwrite');
  await write.objectStore('files').delete(id);
  await write.objectStore('bodies').delete(id);
  await write.done;
  await changed();
}

/** The server does not take it (why), or it is to be tried once more (null). */
export async function markFile(id: string, why: string | null): Promise<void> {
  const db = await openShelves();
  const file = await db.get('files', id);
  if (file) await db.put('files', { ...file, why });
  await changed();
}

export const bodyOf = async (id: string): Promise<FileBody | null> =>
  (await (await openShelves()).get('bodies', id)) ?? null;

/** How many files of a job are here, those that were set aside among them. */
export const fileCounts = async (jobId: string): Promise<number> =>
  (await openShelves()).countFromIndex('files', 'job', jobId);
