import { runsThrough } from '../../pathways/pathwayFigures';
import type { Run } from '../../records/run';
import { cableKindOf, isForOutdoorsOnly } from '../../runs/cableKinds';
import { ruleSets } from '../../standards/ruleSets';
import { published } from '../../standards/source';
import { counted } from '../../text/counted';
import { formatLength } from '../../units/length';
import type { SnagRule } from '../snag';

export const outdoorCableIndoors: SnagRule = {
  id: 'outdoor-cable-indoors',
  why: 'The jacket of outdoor cable burns better than that of indoor cable: it ends, or changes into one, soon after it comes in. Local code decides.',
  source: published('NFPA 70 800.48 in North America; local code elsewhere'),
  stations: ['runs'],
  reads: {
    runs: ['id', 'label', 'cable', 'carries'],
    cableKinds: true,
    pathways: true,
    passages: true,
    rules: true,
    units: true,
  },
  find: ({ job }) => {
    const indoorsMm = new Map<Run, number>();
    for (const { id, surroundings, lengthMm } of Object.values(job.pathways)) {
      if (surroundings !== 'indoor') continue;
      for (const run of runsThrough(job, id)) {
        const kind = cableKindOf(job, run.cable);
        if (kind && isForOutdoorsOnly(kind)) indoorsMm.set(run, (indoorsMm.get(run) ?? 0) + lengthMm);
      }
    }
    const limit = ruleSets[job.rules].outdoorIndoors;
    const over = [...indoorsMm].filter(([, mm]) => limit === null || mm > limit.mostMm).sort(([, a], [, b]) => b - a);
    const [worst] = over;
    if (!worst) return [];
    const [run, mm] = worst;
    const rest = over.length > 1 ? `, and ${counted(over.length - 1, 'other run')}` : '';
    const far = `${run.label} is outdoor cable and goes ${formatLength(mm, job.units)} through pathways indoors${rest}`;
    return [
      {
        grade: limit ? ('wont-work' as const) : ('could-be-neater' as const),
        runIds: over.map(([one]) => one.id),
        what: limit
          ? `${far}: ${formatLength(limit.mostMm, job.units)} is the most.`
          : `${far}. How far it may is a local rule: ask.`,
        source: limit ? limit.source : published('local code'),
      },
    ];
  },
};
