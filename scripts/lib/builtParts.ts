import { join } from 'node:path';
import { root } from './root';

/**
 * What of the server is built by us, beside what the framework builds: the process that serves, which starts in half the time when
 * nothing has to be translated first; the program of the work thread; and the routes. As deep in the folder of the program as what
 * they are made of, so that they find it.
 */
const PARTS = join(root, '.next/parts');
export const APP_PROCESS = join(PARTS, 'appProcess.mjs');
export const WORK_THREAD = join(PARTS, 'workThread.mjs');
export const ROUTES = join(PARTS, 'routes.mjs');
