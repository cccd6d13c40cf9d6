import { ruleSets } from '../../../base/standards/ruleSets';
import { published } from '../../../base/standards/source';
import { counted } from '../../../base/text/counted';
import { formatLength } from '../../../base/units/length';
import type { Run } from '../../../job/records/run';
import { cableKindOf, isForOutdoorsOnly } from '../../../trade/runs/cableKinds';
import { runsThrough } from '../../../trade/runs/pathways/pathwayFigures';
import { runLength } from '../../../trade/runs/routeLength';
import { runsNotJudged, type SnagRule } from '../snag';

export const outdoorCableIndoors: SnagRule = {
  id: 'outdoor-cable-indoors',
  why: 'The jacket of outdoor cable burns better than that of indoor cable: it ends, or changes into one, soon after it comes in. Local code decides.',
  source: published('NFPA 70 800.48 in North America; local code elsewhere'),
  stations: ['runs'],
  reads: {
    runs: ['id', 'label', 'floor', 'room', 'outlet', 'cable', 'carries', 'lengthMm', 'entry'],
    floors: true,
    rooms: true,
    places: true,
    answers: true,
    cableKinds: true,
    pathways: true,
    passages: true,
    rules: true,
    units: true,
  },
  find: ({ job }) => {
    const outdoor = Object.values(job.runs).filter((run) => {
      const kind = cableKindOf(job, run.cable);
      return kind !== null && isForOutdoorsOnly(kind);
    });
    const ways = { indoor: new Map<string, number>(), outdoor: new Map<string, number>() };
    for (const { id, surroundings, lengthMm } of Object.values(job.pathways)) {
      const way = ways[surroundings === 'indoor' ? 'indoor' : 'outdoor'];
      for (const run of runsThrough(job, id)) way.set(run.id, (way.get(run.id) ?? 0) + lengthMm);
    }
    // What of a run goes through no pathway outdoors is indoors; without its length only pathways indoors are known.
    const indoorsMm = new Map<Run, number>();
    const unsure: Run[] = [];
    for (const run of outdoor) {
      const length = runLength(job, run);
      const least = ways.indoor.get(run.id) ?? 0;
      const mm = length ? Math.max(least, length.mm - (ways.outdoor.get(run.id) ?? 0)) : least;
      indoorsMm.set(run, mm);
      if (!length) unsure.push(run);
    }
    const limit = ruleSets[job.rules].outdoorIndoors;
    const over = [...indoorsMm]
      .filter(([, mm]) => (limit === null ? mm > 0 : mm > limit.mostMm))
      .sort(([, a], [, b]) => b - a);
    const known = new Set(over.map(([run]) => run));
    const unjudged = runsNotJudged(
      unsure.filter((run) => !known.has(run)),
      'outdoor cable indoors',
      'length',
    );
    const [worst] = over;
    if (!worst) return unjudged;
    const [run, mm] = worst;
    const rest = over.length > 1 ? `, and ${counted(over.length - 1, 'other run')}` : '';
    const far = `${run.label} is outdoor cable and goes ${formatLength(mm, job.units)} indoors${rest}`;
    return [
      ...unjudged,
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
