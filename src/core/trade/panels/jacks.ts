import type { Category } from '../../base/standards/categoryReach';
import { type Fitting, portsPerTie } from '../../base/standards/landing';
import { naturalOrder } from '../../base/text/naturalOrder';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Gear } from '../../job/records/gear';
import { portKey } from '../../job/records/portKey';
import { type Port, portsOf } from '../../job/records/ports';
import type { Carries, Run } from '../../job/records/run';
import { cableCategory } from '../runs/cableCategory';
import { cableKindOf } from '../runs/cableKinds';
import { panelsInOrder } from './panelsInOrder';

/** A jack as it is bought: what it carries, its category and screen, and how the cable is ended on it. */
export type Jack = { carries: Carries; category: Category | null; screened: boolean; fitting: Fitting };

/**
 * The category of an eight-pole jack for a cable: categories 7 and 7A have connectors of their own, and on this one they
 * make a link of Cat 6A at best (IEC 60603-7).
 */
const jackCategory = (cable: Category | null): Category | null => (cable === '7' || cable === '7A' ? '6A' : cable);

/** The jack that a run needs in a port: what the port says of itself, else what the cable asks for. */
export function jackFor(job: Job, run: Run, port: Port): Jack {
  const cable = cableKindOf(job, run.cable);
  // An opening takes the jack that is bought for the cable; what a fixed port is, its data sheet says, or nobody.
  const chosen = port.connector === 'keystone';
  return {
    carries: run.carries,
    category:
      run.carries === 'ethernet' ? (port.category ?? (chosen ? jackCategory(cableCategory(run.cable)) : null)) : null,
    screened: port.category === null && chosen ? (cable?.screened ?? false) : port.screened,
    fitting: port.fitting,
  };
}

const CARRIES_WORDS: Record<Carries, string> = {
  ethernet: 'data',
  fibre: 'fibre, LC',
  coax: 'coax, F',
  telephone: 'telephone',
  speaker: 'speaker',
  other: 'other',
};
const FITTING_WORDS: Record<Fitting, string> = { punch: 'punch-down', 'tool-less': 'tool-less', coupler: 'coupler' };

/** `Cat 6A screened keystone, tool-less`. */
export function jackWords({ carries, category, screened, fitting }: Jack): string {
  const what = carries === 'ethernet' && category ? `Cat ${category}` : CARRIES_WORDS[carries];
  const how = carries === 'ethernet' || carries === 'telephone' ? `, ${FITTING_WORDS[fitting]}` : '';
  return `${what}${screened ? ' screened' : ''} keystone${how}`;
}

export type LandingParts = {
  jacks: { words: string; count: number }[];
  /** Openings that stay empty and want a blank. */
  blanks: number;
  ties: number;
  perPanel: { panel: Gear; landed: number; free: number; jacks: number; blanks: number; ties: number }[];
};

/** What landing takes: jacks by kind, blanks for empty openings, ties along the strain-relief bar. */
export function landingParts(job: Job): LandingParts {
  const index = indexJob(job);
  const counts = new Map<string, number>();
  const perPanel = panelsInOrder(job).map((panel) => {
    const row = { panel, landed: 0, free: 0, jacks: 0, blanks: 0, ties: 0 };
    for (const port of portsOf(panel)) {
      const run = job.runs[index.landingAtPort.get(portKey(panel.id, port.number))?.runId ?? ''];
      if (!run) {
        row.free += 1;
        if (port.connector === 'keystone') row.blanks += 1;
        continue;
      }
      row.landed += 1;
      if (port.connector !== 'keystone') continue;
      row.jacks += 1;
      const words = jackWords(jackFor(job, run, port));
      counts.set(words, (counts.get(words) ?? 0) + 1);
    }
    row.ties = Math.ceil(row.landed / portsPerTie);
    return row;
  });
  const sum = (field: 'blanks' | 'ties') => perPanel.reduce((all, row) => all + row[field], 0);
  return {
    jacks: [...counts].map(([words, count]) => ({ words, count })).sort((a, b) => naturalOrder(a.words, b.words)),
    blanks: sum('blanks'),
    ties: sum('ties'),
    perPanel,
  };
}
