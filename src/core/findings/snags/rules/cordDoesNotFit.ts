import { cordHabits } from '../../../base/standards/cords';
import { commonPractice } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { formatLength } from '../../../base/units/length';
import { type ListedCord, listCords } from '../../../trade/patching/cordList';
import { stockLengthMm, stockLengths } from '../../../trade/patching/cords/cordLength';
import type { Finding, Mend, SnagRule } from '../snag';

/** Lengths that are there and do not fit, and ways that no length in stock covers. */
export const cordDoesNotFit: SnagRule = {
  id: 'cord-does-not-fit',
  why: 'A taut cord pulls at its sockets; one much too long hangs before the faces or fills the manager.',
  source: commonPractice,
  stations: ['patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    networks: true,
    runs: ['id', 'label', 'device', 'poeW', 'poeClass', 'networkId'],
    landings: true,
    cords: true,
    answers: true,
    shelvings: true,
    units: true,
  },
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
    const cords = listCords(job);
    // What stock does not offer any shorter is nobody's fault.
    const long = cords.filter((one) => one.verdict === 'too long' && one.cord.lengthMm !== null);
    const [longest] = [...long].sort((a, b) => (b.coilMm ?? 0) - (a.coilMm ?? 0));
    const tooLong: Finding[] = longest
      ? [
          {
            grade: 'could-be-neater',
            runIds: longest.run ? [longest.run.id] : [],
            gearIds: [longest.device.id],
            what: `${counted(long.length, 'cord')} with more than ${show(cordHabits.longMm)} left over, ${longest.run?.label ?? 'one'} with ${show(longest.coilMm ?? 0)}.`,
            mends: () => [
              {
                label: `Take shorter cords for ${long.length === 1 ? 'it' : `these ${long.length}`}`,
                commands: [{ type: 'editCords', cordIds: long.map((one) => one.cord.id), changes: { lengthMm: null } }],
              },
            ],
          },
        ]
      : [];
    const misfits = cords.flatMap((one): Finding[] => {
      const { run, panel, device, cord, pathMm, lengthMm, verdict } = one;
      if (pathMm === null) return [];
      const name = `The cord of ${run?.label ?? `${panel.name} ${cord.panelPort}`} to ${device.name} port ${cord.switchPort}`;
      const about = { runIds: run ? [run.id] : [], gearIds: [device.id] };
      if (verdict === 'none reaches')
        return [
          {
            ...about,
            grade: 'wont-work' as const,
            what: `${name} needs ${show(pathMm)}; the longest in stock is ${show(stock.at(-1) ?? 0)}.`,
          },
        ];
      if (verdict === 'too tight' && lengthMm !== null)
        return [
          {
            ...about,
            grade: 'wont-work' as const,
            what: `${name} is ${show(lengthMm)} long; the way takes ${show(pathMm)}.`,
            mends: asPlanned(one),
          },
        ];
      return [];
    });
    return [...misfits, ...tooLong];
  },
};
