import { ensureBuild } from './lib/build';

/* Builds what is served, unless it was built from the same sources. */
process.exit(ensureBuild(false) ? 0 : 1);
