import { z } from 'zod';
import type { CommandKind } from './commands/command';
import { editJob } from './commands/editJob';
import { addGear, editGear, removeGear } from './commands/gear';
import { landRuns, takeOffRuns } from './commands/landing';
import { addNetwork, editNetwork, removeNetwork } from './commands/networks';
import { editCords, fixCords, patchPorts, unplug } from './commands/patching';
import { liftGear, pinGear, placeGear, shelveGear } from './commands/placing';
import { addRack, editRack, removeRack } from './commands/racks';
import { dropRows, keepRows } from './commands/rows';
import { addRuns, editRuns, importRuns, removeRuns } from './commands/runs';

/** Every kind of change there is. Adding one touches its file and this list. */
export const COMMAND_KINDS = {
  editJob,
  addRack,
  editRack,
  removeRack,
  addGear,
  editGear,
  removeGear,
  placeGear,
  shelveGear,
  liftGear,
  pinGear,
  addRuns,
  editRuns,
  importRuns,
  removeRuns,
  landRuns,
  takeOffRuns,
  patchPorts,
  unplug,
  fixCords,
  editCords,
  addNetwork,
  editNetwork,
  removeNetwork,
  keepRows,
  dropRows,
} as const;

type Kinds = typeof COMMAND_KINDS;
export type Command = { [T in keyof Kinds]: z.infer<Kinds[T]['schema']> }[keyof Kinds];

export const Command = z.discriminatedUnion('type', [
  editJob.schema,
  addRack.schema,
  editRack.schema,
  removeRack.schema,
  addGear.schema,
  editGear.schema,
  removeGear.schema,
  placeGear.schema,
  shelveGear.schema,
  liftGear.schema,
  pinGear.schema,
  addRuns.schema,
  editRuns.schema,
  importRuns.schema,
  removeRuns.schema,
  landRuns.schema,
  takeOffRuns.schema,
  patchPorts.schema,
  unplug.schema,
  fixCords.schema,
  editCords.schema,
  addNetwork.schema,
  editNetwork.schema,
  removeNetwork.schema,
  keepRows.schema,
  dropRows.schema,
]);

/** The kind of a command; its apply and describe take just that command. */
export const kindOf = (command: Command) => COMMAND_KINDS[command.type] as unknown as CommandKind<z.ZodType<Command>>;
