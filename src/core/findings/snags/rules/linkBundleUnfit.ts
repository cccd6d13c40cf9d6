import { commonPractice } from '../../../base/standards/source';
import { bundleFaults, bundlesOf } from '../../../trade/patching/uplinks/linkBundles';
import { listUplinks } from '../../../trade/patching/uplinks/uplinkFacts';
import type { SnagRule } from '../snag';

export const linkBundleUnfit: SnagRule = {
  id: 'link-bundle-unfit',
  why: 'Links carry as one only where both ends bundle them; where one does not, they are a ring.',
  source: commonPractice,
  stations: ['patch'],
  reads: { racks: true, gear: true, placements: true, answers: true, shelvings: true, cords: true, units: true },
  find: ({ job }) =>
    bundlesOf(listUplinks(job)).flatMap((bundle) =>
      bundleFaults(bundle).map(({ grade, words, source }) => {
        const [{ from, to }] = bundle;
        return {
          grade,
          gearIds: [from.id, to.id],
          rowIds: bundle.map(({ uplink }) => uplink.id),
          source,
          what: `Uplinks ${from.name} to ${to.name}: ${words}.`,
          mends: () => [
            {
              label: bundle.length > 1 ? 'Do not bundle them' : 'Do not bundle it',
              commands: [
                {
                  type: 'editRows' as const,
                  edits: bundle.map(({ uplink }) => ({
                    table: 'cords' as const,
                    id: uplink.id,
                    changes: { bundled: false },
                  })),
                },
              ],
            },
          ],
        };
      }),
    ),
};
