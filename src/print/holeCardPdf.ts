import { citeFor } from '../core/base/standards/cite';
import { paperOf } from '../core/base/standards/countries';
import { holesOfPattern, rackDimensions, standardHolesSource } from '../core/base/standards/rackDimensions';
import { naturalOrder } from '../core/base/text/naturalOrder';
import { formatSize } from '../core/base/units/length';
import type { Job } from '../core/job/document/job';
import { rackShortNames } from '../core/job/gear/shortNames';
import { type HoleCard, holeCard, holeHeightMm } from '../core/job/rack/holes';
import { shownUnit } from '../core/job/rack/units';
import { A4, openPdf, type Pdf } from './pdf';

const MARGIN = 14;
const STRIP_TOP = 40;
const STRIP_MOST = 236;
const HOLE_NAMES = ['lower', 'middle', 'upper'];

/** One page a rack: the rail with the holes in use, and which they are, counted from the bottom. */
function cardPage({ page, document, text, lines }: Pdf, job: Job, card: HoleCard): void {
  const { rack, rows } = card;
  page(A4.widthMm, A4.heightMm);
  text(`Hole card: ${rackShortNames(job).get(rack.id)}  ${rack.name}`, MARGIN, 20, 6, true);
  const nuts = card.nuts > 0 ? `${card.nuts} cage nuts and ` : '';
  text(`${job.name} · ${rack.units}U · ${nuts}${card.screws} screws ${rack.thread}`, MARGIN, 28, 3.4);
  const height = rack.units * rackDimensions.unitMm;
  const scale = Math.min(0.29, STRIP_MOST / height);
  const y = (heightMm: number) => STRIP_TOP + (height - heightMm) * scale;
  const x = MARGIN + 10;
  document
    .lineWidth(0.2)
    .strokeColor('#000')
    .rect(x, STRIP_TOP, 9, height * scale)
    .stroke();
  for (let unit = 1; unit <= rack.units; unit++) {
    document
      .lineWidth(0.1)
      .moveTo(x, y(unit * rackDimensions.unitMm))
      .lineTo(x + 9, y(unit * rackDimensions.unitMm))
      .stroke();
    const size = Math.min(3, rackDimensions.unitMm * scale * 0.5);
    text(String(shownUnit(rack, unit)), x - 8, y((unit - 0.5) * rackDimensions.unitMm) + size / 3, size);
    for (const hole of holesOfPattern[rack.holePattern]) {
      const at = holeHeightMm(unit, hole);
      const used = rows.some(
        (row) => row.face === 'front' && row.holes.some((one) => one.unit === unit && one.hole === hole),
      );
      document.circle(x + 4.5, y(at), used ? 1.1 : 0.6);
      if (used) document.fill('#000');
      else document.stroke();
    }
  }
  const left = x + 22;
  let line = STRIP_TOP + 2;
  text('Device · place · holes on each rail, lowest first (count from the bottom)', left, line, 2.9, true);
  line += 6;
  for (const row of rows) {
    if (line > A4.heightMm - 34) {
      page(A4.widthMm, A4.heightMm);
      line = 24;
    }
    text(`${row.place}  ${row.name}${row.face === 'rear' ? ' (rear rails)' : ''}`, left, line, 3.3, true);
    const holes = row.holes.map(
      (one) =>
        `U${one.shownUnit} ${HOLE_NAMES[one.hole - 1]} = no. ${one.fromBottom} (${formatSize(one.heightMm, job.units)})`,
    );
    line = lines(
      holes.length > 0 ? `${holes.join(', ')}; ${row.screws} screws.` : `No ears; ${row.screws} screws for its rails.`,
      left,
      line + 4.4,
      150,
      2.7,
    );
    if (row.note) line = lines(row.note, left, line, 150, 2.7);
    line += 2.4;
  }
  if (card.mixed.length > 0)
    line = lines(`Other threads in the box, put away: ${card.mixed.join(', ')}.`, left, line, 150, 2.7);
  lines(
    `Holes of 3U and more are from ${citeFor(standardHolesSource, job.rules)}; real gear varies: hold it up before the nuts go in. Heights are from the lower edge of the lowest unit.`,
    MARGIN,
    A4.heightMm - 16,
    A4.widthMm - 2 * MARGIN,
    2.7,
  );
}

/** The hole cards of all racks. @param root folder of the program, where its fonts are */
export function holeCardPdf(job: Job, root: string): Promise<Buffer> {
  const pdf = openPdf(`Hole card of ${job.name}`, root, paperOf(job));
  const racks = Object.values(job.racks).sort((a, b) => naturalOrder(a.name, b.name));
  for (const rack of racks) cardPage(pdf, job, holeCard(job, rack));
  if (racks.length === 0) pdf.page(A4.widthMm, A4.heightMm);
  return pdf.finish();
}
