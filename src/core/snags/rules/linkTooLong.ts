import { copperLengths, permanentLinkSource } from '../../standards/copperLengths';
import { formatLength } from '../../units/length';
import type { SnagRule } from '../snag';

export const linkTooLong: SnagRule = {
  id: 'link-too-long',
  why: 'Beyond the permanent link limit no speed is assured. Use fibre, or a switch on the way.',
  source: permanentLinkSource,
  stations: ['runs'],
  find: ({ job, runsInOrder }) =>
    runsInOrder.flatMap(({ id, label, carries, lengthMm }) => {
      if (carries !== 'ethernet' || lengthMm === null || lengthMm <= copperLengths.permanentLinkMm) return [];
      const [is, limit] = [lengthMm, copperLengths.permanentLinkMm].map((mm) => formatLength(mm, job.units));
      return {
        grade: 'wont-work' as const,
        runIds: [id],
        what: `${label} is ${is} of fixed cable; the limit is ${limit}.`,
      };
    }),
};
