import type { StationId } from '../../job/records/stationIds';

export const TAKEAWAY_TYPES = {
  csv: 'text/csv; charset=utf-8',
  pdf: 'application/pdf',
  svg: 'image/svg+xml; charset=utf-8',
  png: 'image/png',
  json: 'application/json; charset=utf-8',
  graphml: 'application/graphml+xml; charset=utf-8',
  dot: 'text/vnd.graphviz; charset=utf-8',
  txt: 'text/plain; charset=utf-8',
  ics: 'text/calendar; charset=utf-8',
  html: 'text/html; charset=utf-8',
  zip: 'application/zip',
} as const;
export type TakeawayKind = keyof typeof TAKEAWAY_TYPES;

/** What one that can be made in several ways asks for. */
export type TakeawayOption = 'labels' | 'gathering' | 'sections';

export type Takeaway = {
  /** Name of the file, behind the name of the job; the ending is its kind. */
  id: string;
  words: string;
  /** What it is good for, in one line. */
  about: string;
  /** Where it belongs; null: to the job as a whole. */
  station: StationId | null;
  options: readonly TakeawayOption[];
};

/** Everything that can be taken away of a job, in the order of the work. */
export const TAKEAWAYS = [
  {
    id: 'job.json',
    words: 'The whole job',
    about: 'Everything in one open file, to keep or to open elsewhere.',
    station: null,
    options: [],
  },
  {
    id: 'runs.csv',
    words: 'Run schedule',
    about: 'Every field of every run; can be read in again.',
    station: 'runs',
    options: [],
  },
  {
    id: 'pull-sheet.csv',
    words: 'Pull sheet',
    about: 'Which run is cut from which box, pull by pull.',
    station: 'runs',
    options: [],
  },
  {
    id: 'labels.pdf',
    words: 'Labels',
    about: 'Sheets in true size; kinds and sheets under Runs.',
    station: 'runs',
    options: ['labels'],
  },
  {
    id: 'labels.svg',
    words: 'Labels as a drawing',
    about: 'The same sheets for a cutter or a label printer.',
    station: 'runs',
    options: ['labels'],
  },
  {
    id: 'elevation.svg',
    words: 'Cabinet elevation',
    about: 'Front, rear and side to scale.',
    station: 'stack',
    options: [],
  },
  {
    id: 'elevation.png',
    words: 'Cabinet elevation as a picture',
    about: 'Two pixels a millimetre, to send.',
    station: 'stack',
    options: [],
  },
  {
    id: 'hole-card.pdf',
    words: 'Hole card',
    about: 'Which holes, how many cage nuts and screws.',
    station: 'stack',
    options: [],
  },
  {
    id: 'wall.pdf',
    words: 'Wall sheet',
    about: 'Forces, fixings and the drill template in true size.',
    station: 'stack',
    options: [],
  },
  {
    id: 'termination.pdf',
    words: 'Termination cards',
    about: 'A sheet a panel: pins, back of the panel, runs to tick.',
    station: 'land',
    options: [],
  },
  {
    id: 'port-map.csv',
    words: 'Port map',
    about: 'A line a run from outlet to network.',
    station: 'patch',
    options: [],
  },
  {
    id: 'port-map.pdf',
    words: 'Port map on paper',
    about: 'The trace of each run, a line each.',
    station: 'patch',
    options: [],
  },
  {
    id: 'port-map.svg',
    words: 'Port map as a drawing',
    about: 'The loom drawn, sheet below sheet.',
    station: 'patch',
    options: ['gathering'],
  },
  {
    id: 'loom.pdf',
    words: 'Loom on paper',
    about: 'Strands from outlet to switch port over as many sheets as needed.',
    station: 'patch',
    options: ['gathering'],
  },
  {
    id: 'cords.csv',
    words: 'Cords',
    about: 'Way, length, colour and what is left over of each.',
    station: 'patch',
    options: [],
  },
  {
    id: 'port-plan.csv',
    words: 'Port plan',
    about: 'Networks of each switch port, to type into a managed switch.',
    station: 'patch',
    options: [],
  },
  {
    id: 'power.pdf',
    words: 'Power sheet',
    about: 'Circuits, outlets, what goes dark, batteries, heat and cautions.',
    station: 'power',
    options: [],
  },
  {
    id: 'outlets.csv',
    words: 'Outlet map',
    about: 'What is in which mains outlet, its cord and its side.',
    station: 'power',
    options: [],
  },
  {
    id: 'outlets.svg',
    words: 'Outlet map as a drawing',
    about: 'The cabinet from behind with outlets and plugs to scale.',
    station: 'power',
    options: [],
  },
  {
    id: 'build.pdf',
    words: 'Build list',
    about: 'Visits with their steps to tick, kit, and the cabinet at each stage.',
    station: 'build',
    options: [],
  },
  {
    id: 'kit.csv',
    words: 'Kit and shopping list',
    about: 'Every part and tool with its count, packs and price, and where it is.',
    station: 'build',
    options: [],
  },
  {
    id: 'kit.pdf',
    words: 'Kit and shopping list on paper',
    about: 'The same with boxes to tick.',
    station: 'build',
    options: [],
  },
  {
    id: 'outage.txt',
    words: 'Outage notice',
    about: 'Who is without what, from when to when, to send.',
    station: 'build',
    options: [],
  },
  {
    id: 'visits.ics',
    words: 'Visits and outages',
    about: 'For any calendar.',
    station: 'build',
    options: [],
  },
  {
    id: 'tests.pdf',
    words: 'Test report',
    about: 'Summary, each run, what was tested again, testers.',
    station: 'prove',
    options: [],
  },
  {
    id: 'fault-cards.pdf',
    words: 'Fault cards',
    about: 'A card for each run that failed, to cut out: what is wrong, what to do.',
    station: 'prove',
    options: [],
  },
  {
    id: 'failed-labels.pdf',
    words: 'Labels of failed runs',
    about: 'Only of runs that failed, to mark them while they wait.',
    station: 'prove',
    options: ['labels'],
  },
  {
    id: 'tests.json',
    words: 'Tests for other programs',
    about: 'Results, what is open, figures and testers as JSON.',
    station: 'prove',
    options: [],
  },
  {
    id: 'tests.csv',
    words: 'Test results',
    about: 'Every result of every run, and what is not proven.',
    station: 'prove',
    options: [],
  },
  {
    id: 'pack.pdf',
    words: 'The pack on paper',
    about: 'Everything that is handed over, with contents and page numbers.',
    station: 'handover',
    options: ['sections'],
  },
  {
    id: 'handover.html',
    words: 'Where does this go?',
    about: 'One file for any phone or computer: search, every path, drawings. No network needed.',
    station: 'handover',
    options: [],
  },
  {
    id: 'pack.zip',
    words: 'The pack as open files',
    about: 'Job, lists, drawings and test files with their sums; reads back into an equal job.',
    station: 'handover',
    options: [],
  },
  {
    id: 'door.pdf',
    words: 'Door sheet',
    about: 'Front and port map on one page, for the door of the cabinet.',
    station: 'handover',
    options: [],
  },
  {
    id: 'care.ics',
    words: 'Dates of care',
    about: 'What is to be looked after, for a calendar.',
    station: 'handover',
    options: [],
  },
  {
    id: 'cost.csv',
    words: 'Quotation and account',
    about: 'Parts and hours, planned and real, a line each.',
    station: 'handover',
    options: [],
  },
  {
    id: 'cost.pdf',
    words: 'Quotation and account on paper',
    about: 'Parts and hours, planned and real.',
    station: 'handover',
    options: [],
  },
  {
    id: 'patch.graphml',
    words: 'Wiring as GraphML',
    about: 'Devices, ports and links for graph programs.',
    station: 'patch',
    options: [],
  },
  {
    id: 'patch.dot',
    words: 'Wiring as DOT',
    about: 'The same graph for drawing it.',
    station: 'patch',
    options: [],
  },
] as const satisfies readonly Takeaway[];
export type TakeawayId = (typeof TAKEAWAYS)[number]['id'];

export const takeawayOf = (id: string): Takeaway | undefined => TAKEAWAYS.find((one) => one.id === id);

export const kindOfTakeaway = (id: string): TakeawayKind => id.slice(id.lastIndexOf('.') + 1) as TakeawayKind;

/** The kind of file as people write it, such as PDF. */
export function takeawayKindWords(id: TakeawayId): string {
  const kind = kindOfTakeaway(id);
  return kind === 'graphml' ? 'GraphML' : kind.toUpperCase();
}

/** How one is to be made, in words as an address or a command line gives them; what is left out is as usual. */
export type TakeawayWords = Partial<
  Record<'kind' | 'sheet' | 'own' | 'codeFor' | 'runs' | 'page' | 'by' | 'show' | 'sections', string>
>;
export const TAKEAWAY_WORDS = ['kind', 'sheet', 'own', 'codeFor', 'runs', 'page', 'by', 'show', 'sections'] as const;

/** A file name made of the job's name, safe on every system: `Café Nord` gives `cafe-nord-runs.csv`. */
export function takeawayFileName(jobName: string, id: string): string {
  const stem = jobName
    .normalize('NFKD')
    .replace(/\p{M}+/gu, '')
    .replace(/ß/g, 'ss')
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/[^\w-]+/g, '')
    .replace(/^-+|-+$/g, '')
    .slice(0, 80)
    .toLowerCase();
  return `${stem || 'job'}-${id}`;
}
