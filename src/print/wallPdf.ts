import { citeFor } from '../core/base/standards/cite';
import { paperOf } from '../core/base/standards/countries';
import { staticsSource, withdrawalSource, woodScrews } from '../core/base/standards/withdrawal';
import { naturalOrder } from '../core/base/text/naturalOrder';
import { atLeastWords } from '../core/base/units/atLeast';
import { formatForce, formatMass } from '../core/base/units/force';
import { formatSize } from '../core/base/units/length';
import { percent } from '../core/base/units/percent';
import type { Job } from '../core/job/document/job';
import { rackShortNames } from '../core/job/gear/shortNames';
import type { Rack } from '../core/job/records/rack';
import { backboard } from '../core/trade/rack/mounting/backboard';
import { liftingCautions, mountingCautions } from '../core/trade/rack/mounting/cautions';
import { drillTemplate, tile } from '../core/trade/rack/mounting/drillTemplate';
import { wallVerdict } from '../core/trade/rack/mounting/wallMount';
import { A4, openPdf, type Pdf } from './pdf';

const MARGIN = 14;
const WIDTH = A4.widthMm - 2 * MARGIN;

function sheet(pdf: Pdf, job: Job, rack: Rack): void {
  const { page, text, lines } = pdf;
  const verdict = wallVerdict(job, rack);
  const { mount, load } = verdict;
  const board = backboard(rack, mount);
  const force = (newton: number) => formatForce(newton, job.units);
  const size = (mm: number) => formatSize(Math.round(mm), job.units);
  page(A4.widthMm, A4.heightMm);
  text(`On the wall: ${rackShortNames(job).get(rack.id)}  ${rack.name}`, MARGIN, 20, 6, true);
  let y = 30;
  const say = (words: string) => {
    y = lines(words, MARGIN, y, WIDTH, 3) + 0.6;
  };
  const head = (words: string) => {
    text(words, MARGIN, y + 3, 3.8, true);
    y += 9;
  };
  say(
    `${job.name}. Loaded mass ${atLeastWords(load.massKg, (kg) => formatMass(kg, job.units))}, centre of gravity ${size(load.heightMm)} above the floor and ${size(load.outMm)} out from the wall.`,
  );
  head(`Forces on the ${mount.topCount} top fixings [${citeFor(staticsSource, job.rules)}]`);
  for (const one of verdict.cases)
    say(
      `${one.words}: pull ${force(one.pullN)} together, ${force(one.pullEachN)} each; shear ${force(one.shearEachN)} each.`,
    );
  head('What they bear');
  const fastener = mount.fastener === 'anchor' ? 'Anchors by their maker’s table' : woodScrews[mount.fastener].name;
  say(
    `${fastener}${verdict.permittedPullN === null ? ': not known.' : `: ${force(verdict.permittedPullN)} pull each, permanent load [${citeFor(withdrawalSource, job.rules)}].`}`,
  );
  if (verdict.use !== null)
    say(
      `With safety factor ${mount.safetyFactor} the worst case uses ${percent(verdict.use)}: ${verdict.holds === null ? 'whether it holds is not judged.' : verdict.holds ? `it holds by these figures.` : 'it does not hold.'}`,
    );
  if (verdict.leadHoleMm)
    say(
      `Lead hole for the thread: ${verdict.leadHoleMm.least.toFixed(1)} to ${verdict.leadHoleMm.most.toFixed(1)} mm.`,
    );
  for (const note of [...verdict.open, ...verdict.notes]) say(note);
  head('Board');
  say(board.why);
  if (board.needed) {
    say(
      `${size(board.widthMm)} × ${size(board.heightMm)}, ${size(board.thicknessMm)} thick; ${board.screws.length} screws: ${board.rows} rows on ${board.studs} studs.`,
    );
    for (const cut of board.cuts) say(`Cut: ${cut.words} ${size(cut.widthMm)} × ${size(cut.heightMm)}.`);
  }
  head('Cautions');
  for (const { words, source } of [...mountingCautions(rack, job.units, job.rules), ...liftingCautions])
    say(`${words} [${citeFor(source, job.rules)}]`);
}

/** The hole template in true size: print at 100 %, check the ruler, tape the sheets together on the overlap. */
function templatePages({ page, document, text }: Pdf, job: Job, rack: Rack): void {
  const template = drillTemplate(wallVerdict(job, rack).mount);
  const [left, top] = [(A4.widthMm - tile.widthMm) / 2, 30];
  for (const part of template.tiles) {
    page(A4.widthMm, A4.heightMm, true);
    text(
      `${rack.name}: sheet ${part.row + 1}.${part.column + 1} of ${template.rows} × ${template.columns}, print at 100 %`,
      left,
      14,
      3.4,
      true,
    );
    document
      .lineWidth(0.2)
      .strokeColor('#000')
      .moveTo(left, 20)
      .lineTo(left + 100, 20)
      .stroke();
    for (const at of [0, 50, 100])
      document
        .moveTo(left + at, 18)
        .lineTo(left + at, 22)
        .stroke();
    text('100 mm: measure it before you drill', left + 104, 21, 3);
    document.lineWidth(0.1).rect(left, top, tile.widthMm, tile.heightMm).dash(2, { space: 2 }).stroke().undash();
    for (const mark of template.marks) {
      const [x, y] = [left + mark.xMm - part.xMm, top + mark.yMm - part.yMm];
      const inside = x >= left && x <= left + tile.widthMm && y >= top && y <= top + tile.heightMm;
      if (!inside) continue;
      document
        .lineWidth(0.2)
        .moveTo(x - 8, y)
        .lineTo(x + 8, y)
        .moveTo(x, y - 8)
        .lineTo(x, y + 8)
        .stroke();
      document.circle(x, y, 3).stroke();
      text(mark.words, x + 4, y - 3, 3);
    }
  }
}

/** Loads, fixings, board, cautions and the hole template of every rack that hangs on a wall. */
export function wallPdf(job: Job, root: string): Promise<Buffer> {
  const pdf = openPdf(`On the wall: ${job.name}`, root, paperOf(job));
  const racks = Object.values(job.racks)
    .filter((rack) => rack.standing === 'wall')
    .sort((a, b) => naturalOrder(a.name, b.name));
  for (const rack of racks) {
    sheet(pdf, job, rack);
    templatePages(pdf, job, rack);
  }
  if (racks.length === 0) {
    pdf.page(A4.widthMm, A4.heightMm);
    pdf.text('No rack of this job hangs on a wall.', MARGIN, 20, 5);
  }
  return pdf.finish();
}
