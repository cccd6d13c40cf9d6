import type { Command } from '../../job/commands/commands';
import { cords as table } from '../../job/records/cord';
import type { PatchPlan } from './planPatching';

/** The commands that carry a plan out, as one step. */
export function patchCommands({
  cords,
  unplugged,
  links,
}: Pick<PatchPlan, 'cords' | 'unplugged' | 'links'>): Command[] {
  return [
    ...(unplugged.length > 0 ? [{ type: 'unplug' as const, cordIds: unplugged }] : []),
    ...(cords.length > 0 ? [{ type: 'patchPorts' as const, cords }] : []),
    ...(links.length > 0
      ? [
          {
            type: 'keepRows' as const,
            rows: links.map((link) => ({ table: 'cords' as const, record: table.make(link) })),
          },
        ]
      : []),
  ];
}
