import { readdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Says that a process serves a build. */
const USED_BY = /^used-by-(\d+)$/;

/** Whether a process is there. */
export function lives(pid: number): boolean {
  try {
    process.kill(pid, 0);
    return true;
  } catch {
    return false;
  }
}

/** Say that this process serves a build, so that none takes it away meanwhile. */
export function markUsed(folder: string): void {
  writeFileSync(join(folder, `used-by-${process.pid}`), '');
}

export const isUsed = (folder: string): boolean =>
  readdirSync(folder).some((name) => {
    const pid = Number(USED_BY.exec(name)?.[1] ?? 0);
    return pid > 0 && lives(pid);
  });
