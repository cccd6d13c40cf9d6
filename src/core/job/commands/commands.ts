import { z } from 'zod';
import type { CommandKind } from './command';
import { editJob } from './editJob';
import { addGear, editGear, removeGear } from './gear';
import { landRuns, takeOffRuns } from './landing';
import { addNetwork, editNetwork, removeNetwork } from './networks';
import { editCords, fixCords, patchPorts, unplug } from './patching';
import { liftGear, pinGear, placeGear, shelveGear } from './placing';
import { addRack, editRack, removeRack } from './racks';
import { dropRows, editRows, keepRows } from './rows';
import { addRuns, editRuns, importRuns, removeRuns } from './runs';

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
  editRows,
  dropRows,
} as const;

type Kinds = typeof COMMAND_KINDS;
export type Command = { [T in keyof Kinds]: z.infer<Kinds[T]['schema']> }[keyof Kinds];

export const Command = z.discriminatedUnion(
  'type',
  Object.values(COMMAND_KINDS).map(({ schema }) => schema) as unknown as [z.ZodObject, ...z.ZodObject[]],
) as unknown as z.ZodType<Command>;

/** The kind of a command; its apply and describe take just that command. */
export const kindOf = (command: Command) => COMMAND_KINDS[command.type] as unknown as CommandKind<z.ZodType<Command>>;
