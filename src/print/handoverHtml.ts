import { createHash } from 'node:crypto';
import { citeFor } from '../core/base/standards/cite';
import { counted } from '../core/base/text/counted';
import { escapeXml } from '../core/base/text/escapeXml';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import { floorPlanSvgs } from '../core/exchange/formats/floorPlanSvg';
import type { About } from '../core/exchange/handover/about';
import { openThings } from '../core/exchange/handover/openThings';
import { PATH_COLUMNS, pathLines } from '../core/exchange/handover/pathLine';
import type { Job } from '../core/job/document/job';
import { careDates } from '../core/trade/build/care/careDates';
import { cautionsFor } from '../core/trade/survey/cautions';
import type { PackFile } from './packNames';
import { pageAssets } from './pageAssets';

const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
const list = (items: readonly string[], none: string): string =>
  items.length === 0 ? `<p>${none}</p>` : `<ul>${items.map((item) => `<li>${item}</li>`).join('')}</ul>`;
/** A drawing within the page: sizes by its own measures give way to the width of the page. */
const drawing = (name: string, svg: string): string =>
  `<h3>${escapeXml(name)}</h3><div class="drawing" role="img" aria-label="${escapeXml(name)}">${svg.replace(/(<svg[^>]*?) width="[^"]*" height="[^"]*"/, '$1')}</div>`;

/** Most that small photographs take of the file, octets. */
const MOST_PHOTOGRAPHS = 6 * 1024 * 1024;

/** Small photographs with what they are of; those of a run are shown with its path. */
function album(job: Job, photographs: readonly PackFile[]): string {
  if (photographs.length === 0) return '';
  let room = MOST_PHOTOGRAPHS;
  const shown = photographs.filter(({ bytes }) => {
    room -= bytes.byteLength;
    return room >= 0;
  });
  const figures = shown.map(({ name, about, bytes }) => {
    const of = job.runs[about]?.label ?? '';
    const what = of !== '' ? `Run ${of}` : (job.gear[about]?.name ?? '');
    const words = [what, name.replace(/\.jpe?g$/i, '')].filter(Boolean).join(': ');
    return `<figure data-run="${escapeXml(of)}"><img alt="${escapeXml(words)}" src="data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}"><figcaption>${escapeXml(words)}</figcaption></figure>`;
  });
  const left = photographs.length - shown.length;
  return `<section id="photographs"><h2>Photographs</h2><div class="album">${figures.join('')}</div>${left > 0 ? `<p class="soft">and ${left} more, in the pack</p>` : ''}</section>`;
}

/**
 * The hand-over as one file for any browser, without network, server or installation: search, the whole path of every run,
 * drawings, cautions, open points, dates of care. Without scripts the port map is still there.
 * @param root folder of the program, where script and style of the file are
 */
export function handoverHtml(job: Job, root: string, about: About, photographs: readonly PackFile[] = []): string {
  const { script, style } = pageAssets(root);
  const lines = pathLines(job);
  const cell = (text: string, column: string, label: string): string =>
    column === 'label' && text !== ''
      ? `<th scope="row" class="code"><a href="#run=${escapeXml(encodeURIComponent(label))}">${escapeXml(text)}</a></th>`
      : `<td>${escapeXml(text)}</td>`;
  const rows = lines
    .map((line) => `<tr>${PATH_COLUMNS.map((column) => cell(line[column], column, line.label)).join('')}</tr>`)
    .join('\n');
  const care = careDates(job, about.at.slice(0, 10));
  const day = about.at.slice(0, 10);
  const name = escapeXml(job.name);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; script-src ${hash(script)}; style-src ${hash(style)}; img-src data:; base-uri 'none'; form-action 'none'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="referrer" content="no-referrer">
<title>${name}: where does this go?</title>
<style>${style}</style>
</head>
<body>
<header>
<h1>${name}</h1>
<p class="soft" id="made" data-at="${escapeXml(about.at)}">${escapeXml(about.version)}, made on ${escapeXml(day)}. ${counted(lines.filter(({ label }) => label !== '').length, 'run')}.</p>
</header>
<main>
<label class="find">Where does this go? Label, room, port, device, or the code of a label<input type="search" id="find" autocomplete="off" autocapitalize="off" spellcheck="false"></label>
<section id="trace" role="region" aria-label="Trace" aria-live="polite" data-empty="Type a label, a room, a port or a device: its whole path is told here.">The search needs scripts: without them the port map below says the same.</section>
<nav aria-label="Parts of this file"><ul><li><a href="#map">Port map</a></li><li><a href="#drawings">Drawings</a></li><li><a href="#cautions">Cautions</a></li><li><a href="#open">Open points</a></li><li><a href="#care">Care</a></li></ul></nav>
<p><button type="button" id="print">Print all of it</button></p>
<section id="map"><h2>Port map</h2><div class="wide" tabindex="0" role="group" aria-label="Port map, scrolls"><table id="port-map"><thead><tr>${PATH_COLUMNS.map((column) => `<th scope="col" data-column="${column}">${column}</th>`).join('')}</tr></thead><tbody>
${rows}
</tbody></table></div></section>
${album(job, photographs)}<section id="drawings"><h2>Drawings</h2>${Object.keys(job.racks).length > 0 ? drawing('Cabinet, front, rear and side', elevationSvg(job)) : ''}${floorPlanSvgs(
    job,
  )
    .map(({ name: floor, svg }) => drawing(`Plan of ${floor}`, svg))
    .join('')}</section>
<section id="cautions"><h2>Cautions</h2>${list(
    cautionsFor(job).map(
      ({ words, source }) =>
        `${escapeXml(words)}${source ? ` <span class="soft">${escapeXml(citeFor(source, job.rules))}</span>` : ''}`,
    ),
    'None.',
  )}</section>
<section id="open"><h2>Open points</h2>${list(
    openThings(job).map(
      ({ words, more }) => `<b>${escapeXml(words)}</b>${more ? ` <span class="soft">${escapeXml(more)}</span>` : ''}`,
    ),
    'None.',
  )}</section>
<section id="care"><h2>Care</h2>${list(
    care.map(
      ({ what, due, why }) =>
        `<b>${due ? escapeXml(due) : 'date not known'}</b> ${escapeXml(what)} <span class="soft">${escapeXml(why)}</span>`,
    ),
    'No dates are kept.',
  )}<p class="soft">Passwords and keys are not in this file.</p></section>
</main>
<script>${script}</script>
</body>
</html>
`;
}
