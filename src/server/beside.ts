import type { About, LogLine } from '../core/exchange/handover/about';
import { SMALL } from '../core/exchange/wire/kept';
import type { Job } from '../core/job/document/job';
import type { PackFile } from '../print/packNames';
import { listKeptFiles, readKeptFile } from '../store/keptFiles';
import type { Store } from '../store/openStore';
import { logOf } from './changeLog';
import { versionsOf } from './pastJobs';

const MOST_LOG = 2_000;

/** What a file of the hand-over holds beside the job itself: of which state it is, who did what, and what is kept with it. */
export async function beside(
  store: Store,
  job: Job,
  revision: number,
  file: string,
  address: string,
): Promise<{ about: About; log: LogLine[]; files: PackFile[]; small: PackFile[] }> {
  const about = { version: '', at: new Date().toISOString(), address };
  if (!/^(pack|handover|door)\./.test(file)) return { about, log: [], files: [], small: [] };
  const { versions } = await versionsOf(store, job.id);
  const last = versions.find((one) => one.revision <= revision);
  const version = !last
    ? `Revision ${revision}, without a name`
    : last.revision === revision
      ? `Version “${last.name}”`
      : `${revision - last.revision} steps after version “${last.name}”`;
  const files: PackFile[] = [];
  const small: PackFile[] = [];
  if (file === 'pack.zip' || file === 'handover.html') {
    const em = store.em.fork();
    for (const { id, name, kind, about: of } of await listKeptFiles(em, job.id)) {
      const into = kind === 'photo' && id.endsWith(SMALL) ? small : file === 'pack.zip' ? files : null;
      const kept = into && (await readKeptFile(em, job.id, id));
      if (kept) into.push({ name, kind, about: of, bytes: new Uint8Array(kept.body) });
    }
  }
  const log = file === 'pack.pdf' ? await logOf(store, job.id, MOST_LOG) : [];
  return { about: { ...about, version }, log, files, small };
}
