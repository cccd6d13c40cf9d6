import { z } from 'zod';
import { Id } from '../records/fields';
import { Network } from '../records/network';
import { changesOf } from './changesOf';
import { commandKind } from './command';
import { lookUp, mustBeNew } from './lookUp';
import { removeRows } from './removeRows';

/** Add a network. */
export const addNetwork = commandKind({
  schema: z.strictObject({ type: z.literal('addNetwork'), network: Network }),
  apply: (job, { network }) => {
    mustBeNew(job, 'networks', network.id);
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
    Object.assign(lookUp(job, 'networks', networkId), changes);
  },
  describe: (job, { networkId }) => `Change network ${job.networks[networkId]?.name ?? ''}`.trim(),
});

/** Take a network out of the job. Its runs stay, without a network. */
export const removeNetwork = commandKind({
  schema: z.strictObject({ type: z.literal('removeNetwork'), networkId: Id }),
  apply: (job, { networkId }, base) => {
    lookUp(job, 'networks', networkId);
    removeRows(job, 'networks', [networkId], base);
  },
  describe: (job, { networkId }) => `Remove network ${job.networks[networkId]?.name ?? ''}`.trim(),
});
