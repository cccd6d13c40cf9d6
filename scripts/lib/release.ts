import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root';

/** What stands in the file of an unpacked release. */
export type Release = { version: string; build: string };
export const RELEASE_FILE = 'release.json';

/** The release that this program is; null where it runs from its sources. */
export function thisRelease(): Release | null {
  const file = join(root, RELEASE_FILE);
  return existsSync(file) ? (JSON.parse(readFileSync(file, 'utf8')) as Release) : null;
}

/** Say in the environment which build is served: that of the release, or the one that was made of these sources. @throws Error where there is none */
export async function chooseBuild(): Promise<void> {
  const release = thisRelease();
  if (release) {
    process.env.SHELF_BUILD = release.build;
    // As the framework's own standalone server does: read from a file of settings, they would ask for what only building needs.
    const { config } = JSON.parse(readFileSync(join(root, release.build, 'required-server-files.json'), 'utf8')) as {
      config: object;
    };
    process.env.__NEXT_PRIVATE_STANDALONE_CONFIG = JSON.stringify({ ...config, distDir: release.build });
    return;
  }
  const { findBuild } = await import('./build');
  if (!findBuild())
    throw new Error(
      'Nothing is built from these sources: run npm run build, or npm run package for an archive to install.',
    );
}
