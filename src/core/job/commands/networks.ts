import { z } from 'zod';
import { sameKey } from '../../text/sameKey';
import type { Job } from '../job';
import { Id } from '../records/fields';
import { Network } from '../records/network';
import { refuse } from '../refusal';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { dropReferring } from './rows';

function mustBeOneOfAKind(job: Job, network: Network): void {
  for (const other of Object.values(job.networks)) {
    if (other.id === network.id) continue;
    if (sameKey(other.name) === sameKey(network.name))
      refuse('name-taken', `There is a network called ${other.name} already.`, network.id);
    if (sameKey(other.code) === sameKey(network.code))
      refuse('code-taken', `${other.name} has the code ${other.code} already: choose another.`, network.id);
    if (network.number !== null && other.number === network.number)
      refuse('number-taken', `${other.name} has the number ${other.number} already: choose another.`, network.id);
  }
}

/** Add a network. */
export const addNetwork = commandKind({
  schema: z.strictObject({ type: z.literal('addNetwork'), network: Network }),
  apply: (job, { network }) => {
    mustBeNew(job, 'networks', network.id);
    mustBeOneOfAKind(job, network);
    job.networks[network.id] = network;
  },
  describe: (_, { network }) => `Add network ${network.name}`,
});

const NetworkChanges = changesOf(Network);
export type NetworkChanges = z.infer<typeof NetworkChanges>;

/** Change a network: its name, number, code, colour or pattern. */
export const editNetwork = commandKind({
  schema: z.strictObject({ type: z.literal('editNetwork'), networkId: Id, changes: NetworkChanges }),
  apply: (job, { networkId, changes }) => {
    const network = lookUp(job, 'networks', networkId);
    Object.assign(network, changes);
    mustBeOneOfAKind(job, network);
  },
  describe: (job, { networkId }) => `Change network ${job.networks[networkId]?.name ?? ''}`.trim(),
});

/** Take a network out of the job. Its runs stay, without a network. */
export const removeNetwork = commandKind({
  schema: z.strictObject({ type: z.literal('removeNetwork'), networkId: Id }),
  apply: (job, { networkId }) => {
    lookUp(job, 'networks', networkId);
    delete job.networks[networkId];
    for (const run of Object.values(job.runs)) if (run.networkId === networkId) run.networkId = null;
    dropReferring(job, 'networks', [networkId]);
  },
  describe: (job, { networkId }) => `Remove network ${job.networks[networkId]?.name ?? ''}`.trim(),
});
