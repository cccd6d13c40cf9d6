import type { Command } from '../commands/commands';
import type { PatchPlan } from './planPatching';

/** The commands that carry a plan out, as one step. */
export function patchCommands({ cords, unplugged }: PatchPlan): Command[] {
  return [
    ...(unplugged.length > 0 ? [{ type: 'unplug' as const, cordIds: unplugged }] : []),
    ...(cords.length > 0 ? [{ type: 'patchPorts' as const, cords }] : []),
  ];
}
