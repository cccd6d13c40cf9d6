import { stockLengthMm, stockLengths } from '../../patching/cordLength';
import { type ListedCord, listCords } from '../../patching/cordList';
import { commonPractice } from '../../standards/source';
import { formatLength } from '../../units/length';
import type { Mend, SnagRule } from '../snag';

/** Lengths that are there and do not fit, and ways that no length in stock covers. */
export const cordDoesNotFit: SnagRule = {
  id: 'cord-does-not-fit',
  why: 'A taut cord pulls at its sockets; one much too long hangs before the faces or fills the manager.',
  source: commonPractice,
  stations: ['patch'],
  find: ({ job }) => {
    const show = (mm: number) => formatLength(mm, job.units);
    const stock = stockLengths(job);
    const asPlanned =
      ({ cord, pathMm }: ListedCord) =>
      (): Mend[] => {
        const length = pathMm === null ? null : stockLengthMm(stock, pathMm);
        if (length === null) return [];
        const changes = { lengthMm: null };
        return [
          { label: `Take one of ${show(length)}`, commands: [{ type: 'editCords', cordIds: [cord.id], changes }] },
        ];
      };
    return listCords(job).flatMap((one) => {
      const { run, panel, device, cord, pathMm, lengthMm, verdict, coilMm } = one;
      if (pathMm === null) return [];
      const name = `The cord of ${run?.label ?? `${panel.name} ${cord.panelPort}`} to ${device.name} port ${cord.switchPort}`;
      const about = { runIds: run ? [run.id] : [], gearIds: [device.id] };
      if (verdict === 'none reaches')
        return {
          ...about,
          grade: 'wont-work' as const,
          what: `${name} needs ${show(pathMm)}; the longest in stock is ${show(stock.at(-1) ?? 0)}.`,
        };
      if (verdict === 'too tight' && lengthMm !== null)
        return {
          ...about,
          grade: 'wont-work' as const,
          what: `${name} is ${show(lengthMm)} long; the way takes ${show(pathMm)}.`,
          mends: asPlanned(one),
        };
      // What stock does not offer any shorter is nobody's fault.
      if (verdict === 'too long' && cord.lengthMm !== null && coilMm !== null)
        return {
          ...about,
          grade: 'could-be-neater' as const,
          what: `${name} has ${show(coilMm)} left over.`,
          mends: asPlanned(one),
        };
      return [];
    });
  },
};
