import { runE2e } from './lib/e2e';

// A test that is asked for by name runs, long or not.
if (process.argv.length > 2) process.env.SHELF_LONG = '1';
process.exitCode = await runE2e(process.argv.slice(2));
