import { citeFor } from '../../base/standards/cite';
import { counted } from '../../base/text/counted';
import { refuse } from '../../base/text/refusal';
import { formatLength } from '../../base/units/length';
import { stationStates } from '../../findings/stations/stations';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { careDates } from '../../trade/build/care/careDates';
import { listCords } from '../../trade/patching/cordList';
import { portPlan, portSetting, switchingGear } from '../../trade/patching/uplinks/portPlan';
import { answerOf } from '../../trade/survey/answers/answers';
import { cautionsFor } from '../../trade/survey/cautions';
import { gateOf } from '../../trade/testing/gate';
import { powerSheet } from '../formats/powerSheet';
import type { SheetSection } from '../formats/sheetSection';
import { testSheet } from '../formats/testSheet';
import type { About, LogLine } from './about';
import { costSections } from './cost';
import { openThings } from './openThings';
import { pathLines } from './pathLine';

/** What the pack on paper can hold, in its order. Cost is only in it when it is chosen. */
export const PACK_SECTIONS = [
  { id: 'summary', words: 'Summary' },
  { id: 'elevation', words: 'Elevations' },
  { id: 'plans', words: 'Plans of the floors' },
  { id: 'port-map', words: 'Port map' },
  { id: 'cords', words: 'Cords' },
  { id: 'networks', words: 'Networks and switch settings' },
  { id: 'power', words: 'Power, batteries, heat and what goes dark' },
  { id: 'tests', words: 'Tests' },
  { id: 'cost', words: 'Parts and cost' },
  { id: 'cautions', words: 'Cautions' },
  { id: 'open', words: 'What is open' },
  { id: 'care', words: 'Care' },
  { id: 'log', words: 'Change log' },
] as const;
export type PackSectionId = (typeof PACK_SECTIONS)[number]['id'];
export const USUAL_SECTIONS: readonly PackSectionId[] = PACK_SECTIONS.map(({ id }) => id).filter((id) => id !== 'cost');

/** Sections from words with commas between; nothing: the usual ones. @throws Refusal that names the one that is not known */
export function readPackSections(words: string | undefined): PackSectionId[] {
  if (words === undefined || words === '') return [...USUAL_SECTIONS];
  const asked = words.split(',').map((one) => one.trim());
  for (const one of asked)
    if (!PACK_SECTIONS.some(({ id }) => id === one))
      refuse('sections', `sections: expected some of ${PACK_SECTIONS.map(({ id }) => id).join(', ')}, found “${one}”.`);
  return PACK_SECTIONS.map(({ id }) => id).filter((id) => asked.includes(id));
}

/** A section of the pack: its drawing, and its tables. */
export type PackSection = {
  id: PackSectionId;
  title: string;
  drawing: 'elevation' | 'plans' | null;
  sheets: SheetSection[];
};

const sheet = (
  title: string,
  columns: SheetSection['columns'],
  rows: readonly string[][],
  notes: string[] = [],
): SheetSection => ({
  title,
  columns,
  rows,
  notes,
});

/** What the pack on paper says, section by section. */
export function packSections(
  job: Job,
  chosen: readonly PackSectionId[],
  about: About,
  log: readonly LogLine[],
): PackSection[] {
  const makes: Record<PackSectionId, () => SheetSection[]> = {
    summary: () => summary(job),
    elevation: () => [],
    plans: () => [],
    'port-map': () => [portMapSheet(job)],
    cords: () => [cordSheet(job)],
    networks: () => networkSheets(job),
    power: () => powerSheet(job, about.at.slice(0, 10)),
    tests: () => testSheet(job),
    cost: () => costSections(job),
    cautions: () => [
      sheet(
        'Before any work',
        [],
        [],
        cautionsFor(job).map(({ words, source }) => `– ${words}${source ? ` (${citeFor(source, job.rules)})` : ''}`),
      ),
    ],
    open: () => {
      const open = openThings(job);
      return [
        sheet(
          'What is open',
          [
            { head: 'What', share: 4 },
            { head: 'More', share: 5 },
          ],
          open.map(({ words, more }) => [words, more]),
          open.length === 0 ? ['Nothing is open.'] : [],
        ),
      ];
    },
    care: () => {
      const dates = careDates(job, about.at.slice(0, 10));
      return [
        sheet(
          'Dates of care',
          [
            { head: 'Due', share: 1.4 },
            { head: 'What', share: 4 },
            { head: 'Why', share: 4 },
          ],
          dates.map(({ due, what, why, overdue }) => [
            due === null ? 'not known' : overdue ? `${due}, overdue` : due,
            what,
            why,
          ]),
          dates.length === 0 ? ['No dates are kept.'] : [],
        ),
      ];
    },
    log: () => [
      sheet(
        'What was done, latest first',
        [
          { head: 'When (UTC)', share: 1.8 },
          { head: 'Who', share: 1.6 },
          { head: 'What', share: 5 },
          { head: 'Why', share: 3 },
        ],
        log.map(({ at, who, what, why }) => [at.slice(0, 16).replace('T', ' '), who || 'not named', what, why]),
        log.length === 0 ? ['The log is kept where the job is kept, and was not at hand.'] : [],
      ),
    ],
  };
  return PACK_SECTIONS.filter(({ id }) => chosen.includes(id)).map(({ id, words }) => ({
    id,
    title: words,
    drawing: id === 'elevation' || id === 'plans' ? id : null,
    sheets: makes[id](),
  }));
}

function summary(job: Job): SheetSection[] {
  const gate = gateOf(job);
  const open = gate.filter((one) => one.open);
  const index = indexJob(job);
  return [
    sheet(
      'In short',
      [
        { head: 'Part', share: 2 },
        { head: 'How far', share: 2 },
        { head: 'Snags', share: 1 },
      ],
      stationStates(job).map(({ name, progress, snags }) => [name, progress, snags === 0 ? '' : String(snags)]),
      [
        `${counted(index.runsInOrder.length, 'run')}, ${counted(index.gearInOrder.length, 'device')}, ${counted(Object.keys(job.racks).length, 'cabinet')}.`,
        open.length === 0
          ? 'Every run has passed its tests; every cord, uplink and feed is signed off, or accepted by name.'
          : `${open.length} of ${gate.length} runs, cords, uplinks and feeds have not passed or are not signed off.`,
        `Passwords and keys are not in this pack. They are kept: ${answerOf(job, 'keys-kept').trim() || '______________________________'}`,
      ],
    ),
    ...peopleSheet(job),
    sheet(
      'Handed over',
      [],
      [],
      [
        'By  ______________________________   on  ________________',
        'To  ______________________________   on  ________________',
      ],
    ),
  ];
}

/** Whom to ask or to call. */
function peopleSheet(job: Job): SheetSection[] {
  const people = Object.values(job.contacts);
  if (people.length === 0) return [];
  return [
    sheet(
      'People',
      [
        { head: 'Who', share: 2 },
        { head: 'As', share: 1.2 },
        { head: 'Telephone', share: 1.6 },
        { head: 'Note', share: 3 },
      ],
      people.map(({ name, role, phone, note }) => [name, role, phone, note]),
    ),
  ];
}

const portMapSheet = (job: Job): SheetSection =>
  sheet(
    'Port map',
    [
      { head: 'Run', share: 1.1 },
      { head: 'Where', share: 3 },
      { head: 'Device', share: 2 },
      { head: 'Panel port', share: 2 },
      { head: 'Cord', share: 1.2 },
      { head: 'Switch port', share: 2 },
      { head: 'Network', share: 1.3 },
    ],
    pathLines(job).map((line) => [
      line.label,
      [line.floor, line.room, line.outlet].filter(Boolean).join(', '),
      line.device,
      line.panel ? `${line.panel} · ${line['panel port']}` : '',
      line.cord,
      line.switch ? `${line.switch} · ${line['switch port']}` : '',
      line.network,
    ]),
  );

const cordSheet = (job: Job): SheetSection =>
  sheet(
    'Cords',
    [
      { head: 'From', share: 3 },
      { head: 'To', share: 3 },
      { head: 'Length', share: 1.2 },
      { head: 'Colour', share: 1.2 },
    ],
    listCords(job).map(({ cord, panel, device, lengthMm, code }) => [
      `${panel.name} · ${cord.panelPort}`,
      `${device.name} · ${cord.switchPort}`,
      lengthMm === null ? 'not known' : formatLength(lengthMm, job.units),
      code.colour,
    ]),
  );

function networkSheets(job: Job): SheetSection[] {
  const networks = Object.values(job.networks);
  return [
    sheet(
      'Networks',
      [
        { head: 'Name', share: 3 },
        { head: 'Number', share: 1 },
        { head: 'Code', share: 1 },
      ],
      networks.map(({ name, number, code }) => [name, number === null ? 'none' : String(number), code]),
      networks.length === 0 ? ['There is none.'] : [],
    ),
    ...switchingGear(job).map((gear) =>
      sheet(
        `Ports of ${gear.name}`,
        [
          { head: 'Port', share: 0.7 },
          { head: 'Setting', share: 2 },
          { head: 'Untagged', share: 2 },
          { head: 'Tagged', share: 2 },
          { head: 'What is on it', share: 4 },
        ],
        portPlan(job, gear).map((row) => [
          String(row.port.number),
          portSetting(row),
          row.untagged?.name ?? '',
          row.tagged.map(({ name }) => name).join(', '),
          row.description,
        ]),
      ),
    ),
  ];
}
