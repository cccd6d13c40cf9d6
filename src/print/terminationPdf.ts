import { citeFor } from '../core/base/standards/cite';
import { paperOf } from '../core/base/standards/countries';
import { relandSource, untwistSource } from '../core/base/standards/landing';
import { pinoutSource, pinouts } from '../core/base/standards/pinout';
import type { Job } from '../core/job/document/job';
import { indexJob } from '../core/job/document/jobIndex';
import { gearShortNames } from '../core/job/gear/shortNames';
import type { Gear } from '../core/job/records/gear';
import { panelsInOrder } from '../core/trade/panels/panelsInOrder';
import { isPunchDown, rearBlocks } from '../core/trade/panels/rowOrder';
import { panelCards, type TerminationCard, wiringOf } from '../core/trade/panels/terminationCard';

import { A4, openPdf, type Pdf } from './pdf';

const MARGIN = 14;

/** Termination cards: a sheet a panel with its back, the pins, and a line a run to tick and sign. */
export function terminationPdf(job: Job, root: string): Promise<Buffer> {
  const pdf = openPdf(`Termination cards of ${job.name}`, root, paperOf(job));
  const panels = panelsInOrder(job);
  const { landingAtPort } = indexJob(job);
  const used = panels.filter((panel) => [...landingAtPort.values()].some((row) => row.panelId === panel.id));
  if (used.length === 0) {
    pdf.page(A4.widthMm, A4.heightMm);
    pdf.text(`Termination cards: ${job.name}`, MARGIN, 20, 6, true);
    pdf.text('No run is landed yet.', MARGIN, 30, 3.4);
  }
  for (const panel of used) panelSheet(pdf, job, panel);
  return pdf.finish();
}

function panelSheet(pdf: Pdf, job: Job, panel: Gear) {
  const { page, text, fitted, lines, document } = pdf;
  const wiring = wiringOf(job);
  const cards = panelCards(job, panel);
  page(A4.widthMm, A4.heightMm);
  const title = `Termination: ${gearShortNames(job).get(panel.id)}  ${panel.name}`;
  text(fitted(title, A4.widthMm - 2 * MARGIN, 6, true), MARGIN, 20, 6, true);
  text(`${job.name} · T568${wiring} at both ends of every run`, MARGIN, 27, 3.4);
  let y = 34;
  text('Pin', MARGIN, y, 2.8, true);
  text('Colour', MARGIN + 10, y, 2.8, true);
  text('Pair', MARGIN + 45, y, 2.8, true);
  for (const { pin, colour, pair } of pinouts[wiring]) {
    y += 4.4;
    text(String(pin), MARGIN, y, 2.8);
    text(colour, MARGIN + 10, y, 2.8);
    text(String(pair), MARGIN + 45, y, 2.8);
  }
  let side = 34;
  for (const words of stepWords(cards)) side = lines(`[ ] ${words}`, MARGIN + 66, side, 115, 2.8) + 0.8;
  side = lines(
    `${citeFor(pinoutSource, job.rules)}; ${citeFor(untwistSource, job.rules)}; jacket: ${citeFor(relandSource, job.rules)}.`,
    MARGIN + 66,
    side + 1,
    115,
    2.2,
  );
  y = Math.max(y, side) + 8;
  if (isPunchDown(panel)) y = backOf(pdf, panel, y);
  y += 6;
  const heads = () => {
    const at = [0, 12, 34, 96, 124, 152];
    ['Port', 'Run', 'Outlet, cable', 'Panel end: who, when', '', 'Outlet end: who, when'].forEach((words, column) => {
      text(words, MARGIN + (at[column] ?? 0), y, 2.8, true);
    });
    y += 6;
  };
  heads();
  for (const card of cards) {
    if (y > A4.heightMm - 18) {
      page(A4.widthMm, A4.heightMm);
      y = 20;
      heads();
    }
    const { run, port, done } = card;
    text(String(port), MARGIN, y, 3, true);
    text(run.label, MARGIN + 12, y, 3, true);
    const place = [run.room, run.outlet, run.cable].filter(Boolean).join(' · ');
    text(fitted(place, 60, 2.5), MARGIN + 34, y, 2.5);
    for (const [end, x] of [
      ['panel', 96],
      ['outlet', 152],
    ] as const) {
      const row = done[end];
      if (row) text(fitted(`${row.by} ${row.on}`.trim() || 'done', end === 'panel' ? 54 : 42, 2.5), MARGIN + x, y, 2.5);
      else
        document
          .lineWidth(0.1)
          .moveTo(MARGIN + x, y + 0.6)
          .lineTo(MARGIN + x + (end === 'panel' ? 50 : 30), y + 0.6)
          .stroke();
    }
    y += 5.4;
  }
}

/** Steps of all the cards of a panel, each once. */
const stepWords = (cards: TerminationCard[]): string[] => [
  ...new Set(cards.flatMap((card) => card.steps.map((step) => step.words))),
];

/** The back of a punch-down panel: blocks with the ports they lead to, as seen from behind. */
function backOf({ text, document }: Pdf, panel: Gear, top: number): number {
  const blocks = rearBlocks(panel);
  const columns = Math.max(...blocks.map((block) => block.column)) + 1;
  const rows = Math.max(...blocks.map((block) => block.row)) + 1;
  const width = 182 / columns;
  text('Back of the panel, seen from behind', MARGIN, top, 2.8, true);
  for (const { port, row, column } of blocks) {
    const x = MARGIN + 182 - (column + 1) * width;
    document
      .lineWidth(0.15)
      .rect(x, top + 2 + row * 7, width, 6)
      .stroke();
    text(String(port), x + width / 2 - 1.6, top + 6.4 + row * 7, 2.4);
  }
  return top + 2 + rows * 7;
}
