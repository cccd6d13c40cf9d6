import { applyBatch } from '../../src/server/jobs';
import { openStore } from '../../src/store/openStore';

// A server in small: takes one batch from its arguments, and says when it is done.
const [url = '', jobId = '', batch = ''] = process.argv.slice(2);
const store = await openStore(url);
process.stdout.write('ready\n');
const outcome = await applyBatch(store, jobId, JSON.parse(batch));
process.stdout.write(`${outcome.status}\n`);
await store.close(true);
