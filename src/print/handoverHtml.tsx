import type { ReactNode } from 'react';
import { citeFor } from '../core/base/standards/cite';
import { counted } from '../core/base/text/counted';
import { elevationSvg } from '../core/exchange/formats/elevationSvg';
import { floorPlanSvgs } from '../core/exchange/formats/floorPlanSvg';
import type { About } from '../core/exchange/handover/about';
import { openThings } from '../core/exchange/handover/openThings';
import { PATH_COLUMNS, type PathLine, pathLines } from '../core/exchange/handover/pathLine';
import type { Job } from '../core/job/document/job';
import { careDates } from '../core/trade/build/care/careDates';
import { cautionsFor } from '../core/trade/survey/cautions';
import type { PackFile } from './packNames';
import { pageAssets } from './pageAssets';
import { Drawing, staticPage } from './staticPage';

/** Limit for the small photographs in the file, bytes. */
const MOST_PHOTOGRAPHS = 6 * 1024 * 1024;

/** Small photographs with their subjects. Those of a run are also shown with its path. */
function Album({ job, photographs }: { job: Job; photographs: readonly PackFile[] }) {
  if (photographs.length === 0) return null;
  let room = MOST_PHOTOGRAPHS;
  const shown = photographs.filter(({ bytes }) => {
    room -= bytes.byteLength;
    return room >= 0;
  });
  const left = photographs.length - shown.length;
  return (
    <section id="photographs">
      <h2>Photographs</h2>
      <div className="album">
        {shown.map(({ name, about, bytes }) => {
          const of = job.runs[about]?.label ?? '';
          const what = of !== '' ? `Run ${of}` : (job.gear[about]?.name ?? '');
          const words = [what, name.replace(/\.jpe?g$/i, '')].filter(Boolean).join(': ');
          return (
            <figure key={`${about} ${name}`} data-run={of}>
              <img alt={words} src={`data:image/jpeg;base64,${Buffer.from(bytes).toString('base64')}`} />
              <figcaption>{words}</figcaption>
            </figure>
          );
        })}
      </div>
      {left > 0 && <p className="soft">{`and ${left} more, in the pack`}</p>}
    </section>
  );
}

/** One row for each run and where it goes. It needs no scripts. */
function PortMap({ lines }: { lines: readonly PathLine[] }) {
  return (
    <table id="port-map">
      <thead>
        <tr>
          {PATH_COLUMNS.map((column) => (
            <th key={column} scope="col" data-column={column}>
              {column}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {lines.map((line, row) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: labels can repeat or be empty, and the page is rendered once.
          <tr key={row}>
            {PATH_COLUMNS.map((column) =>
              column === 'label' && line.label !== '' ? (
                <th key={column} scope="row" className="code">
                  <a href={`#run=${encodeURIComponent(line.label)}`}>{line.label}</a>
                </th>
              ) : (
                <td key={column}>{line[column]}</td>
              ),
            )}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

type Item = { key: string; bold?: string; words?: string; soft?: string | null };

/** A part of the file that is a list. @param none shown when the list is empty */
function Part({ id, title, items, none, children }: ListPart) {
  return (
    <section id={id}>
      <h2>{title}</h2>
      {items.length === 0 ? (
        <p>{none}</p>
      ) : (
        <ul>
          {items.map(({ key, bold, words, soft }) => (
            <li key={key}>
              {bold && <b>{bold}</b>}
              {bold && words && ' '}
              {words}
              {soft && (
                <>
                  {' '}
                  <span className="soft">{soft}</span>
                </>
              )}
            </li>
          ))}
        </ul>
      )}
      {children}
    </section>
  );
}
type ListPart = { id: string; title: string; items: readonly Item[]; none: string; children?: ReactNode };

const PARTS = {
  map: 'Port map',
  drawings: 'Drawings',
  cautions: 'Cautions',
  open: 'Open points',
  care: 'Care',
} as const;

/**
 * The hand-over as one file for any browser, without network, server or installation: search, the whole path of every run,
 * drawings, cautions, open points, dates of care. Without scripts the port map is still there.
 * @param root folder of the program, where script and style of the file are
 */
export function handoverHtml(job: Job, root: string, about: About, photographs: readonly PackFile[] = []): string {
  const lines = pathLines(job);
  const day = about.at.slice(0, 10);
  const runs = counted(lines.filter(({ label }) => label !== '').length, 'run');
  const body = (
    <>
      <header>
        <h1>{job.name}</h1>
        <p className="soft" id="made" data-at={about.at}>{`${about.version}, made on ${day}. ${runs}.`}</p>
      </header>
      <main>
        <label className="find">
          Where does this go? Label, room, port, device, or the code of a label
          <input type="search" id="find" autoComplete="off" autoCapitalize="off" spellCheck={false} />
        </label>
        <section
          id="trace"
          aria-label="Trace"
          aria-live="polite"
          data-empty="Type a label, a room, a port or a device: its whole path is shown here."
        >
          The search needs JavaScript. Without it, use the port map below.
        </section>
        <nav aria-label="Parts of this file">
          <ul>
            {Object.entries(PARTS).map(([id, title]) => (
              <li key={id}>
                <a href={`#${id}`}>{title}</a>
              </li>
            ))}
          </ul>
        </nav>
        <p>
          <button type="button" id="print">
            Print all of it
          </button>
        </p>
        <section id="map">
          <h2>{PARTS.map}</h2>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: keyboard users scroll the table by focusing it. */}
          <section className="wide" tabIndex={0} aria-label="Port map, scrolls">
            <PortMap lines={lines} />
          </section>
        </section>
        <Album job={job} photographs={photographs} />
        <section id="drawings">
          <h2>{PARTS.drawings}</h2>
          {Object.keys(job.racks).length > 0 && (
            <Drawing name="Cabinet, front, rear and side" svg={elevationSvg(job)} />
          )}
          {floorPlanSvgs(job).map(({ name, svg }) => (
            <Drawing key={name} name={`Plan of ${name}`} svg={svg} />
          ))}
        </section>
        <Part
          id="cautions"
          title={PARTS.cautions}
          items={cautionsFor(job).map(({ words, source }) => ({
            key: words,
            words,
            soft: source ? citeFor(source, job.rules) : null,
          }))}
          none="None."
        />
        <Part
          id="open"
          title={PARTS.open}
          items={openThings(job).map(({ words, more }, at) => ({ key: `${at}`, bold: words, soft: more }))}
          none="None."
        />
        <Part
          id="care"
          title={PARTS.care}
          items={careDates(job, day).map(({ what, due, why }, at) => ({
            key: `${at}`,
            bold: due ?? 'date not known',
            words: what,
            soft: why,
          }))}
          none="No dates are kept."
        >
          <p className="soft">Passwords and keys are not in this file.</p>
        </Part>
      </main>
    </>
  );
  return staticPage({
    ...pageAssets(root),
    title: `${job.name}: where does this go?`,
    policy: ['img-src data:', "form-action 'none'"],
    head: <meta name="referrer" content="no-referrer" />,
    body,
  });
}
