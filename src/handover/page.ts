/*
 * What the hand-over file does by itself, in any browser, from disk: find what is asked for in its own table and show the
 * whole path. It asks nothing of anybody.
 */
type Line = { cells: Map<string, string>; words: string; keys: string[] };

const plain = (text: string): string => text.normalize('NFKC').toLowerCase().replace(/\s+/g, ' ').trim();
/** As somebody types a port: `Panel 1 port 12` and `panel 1 12` are one. */
const asked = (text: string): string =>
  plain(text)
    .replace(/\bport\b ?/g, '')
    .trim();

const table = document.getElementById('port-map') as HTMLTableElement;
const columns = [...(table.tHead?.rows[0]?.cells ?? [])].map((cell) => cell.dataset.column ?? '');
const lines: Line[] = [...(table.tBodies[0]?.rows ?? [])].map((row) => {
  const cells = new Map([...row.cells].map((cell, at) => [columns[at] ?? '', cell.textContent ?? '']));
  const of = (column: string) => cells.get(column) ?? '';
  return {
    cells,
    words: asked([...cells.values()].join(' ')),
    keys: [
      of('label'),
      `${of('panel')} ${of('panel port')}`,
      `${of('switch')} ${of('switch port')}`,
      of('device'),
      of('room'),
      `${of('room')} ${of('outlet')}`,
      `${of('floor')} ${of('room')}`,
      of('panel'),
      of('switch'),
      of('network'),
      of('cabinet'),
    ].map(asked),
  };
});

/** The label that a code on a label leads to, or what was typed. */
function typed(text: string): string {
  const found = /[?&#](?:trace|run)=([^&#\s]*)/.exec(text);
  if (!found) return text;
  try {
    return decodeURIComponent((found[1] ?? '').replace(/\+/g, ' '));
  } catch {
    return found[1] ?? '';
  }
}

/** What fits: by the first kind of name that is exactly this, else by all words, wherever they stand. */
function find(text: string): Line[] {
  const query = asked(typed(text));
  if (query === '') return [];
  for (let key = 0; key < 11; key++) {
    const exact = lines.filter((line) => line.keys[key] === query);
    if (exact.length > 0) return exact;
  }
  const words = query.split(' ');
  return lines.filter((line) => words.every((word) => line.words.includes(word)));
}

const trace = document.getElementById('trace') as HTMLElement;
const field = document.getElementById('find') as HTMLInputElement;
const MOST = 60;

function put(tag: string, text: string, into: HTMLElement, look = ''): HTMLElement {
  const made = document.createElement(tag);
  made.textContent = text;
  if (look) made.className = look;
  into.append(made);
  return made;
}

/** The parts of a path, as they are told. */
const PARTS: readonly [string, readonly string[]][] = [
  ['Run', ['label']],
  ['Where', ['floor', 'room', 'outlet']],
  ['Device', ['device']],
  ['Cabinet', ['cabinet']],
  ['Panel and port', ['panel', 'panel port']],
  ['Cord', ['cord']],
  ['Switch and port', ['switch', 'switch port']],
  ['Network', ['network']],
  ['Power', ['power']],
  ['Cable', ['cable']],
  ['Tested', ['tested']],
  ['Notes', ['notes']],
];
const NEEDED = new Set(['Panel and port', 'Cord', 'Switch and port', 'Network']);

function showOne({ cells }: Line): void {
  const list = document.createElement('dl');
  for (const [name, of] of PARTS) {
    const words = of.map((column) =>
      column.endsWith('port') && cells.get(column) ? `port ${cells.get(column)}` : (cells.get(column) ?? ''),
    );
    const said = words.filter(Boolean).join(name === 'Where' ? ', ' : ' ');
    if (said === '' && !NEEDED.has(name)) continue;
    const pair = document.createElement('div');
    put('dt', name, pair);
    put('dd', said || 'none', pair, said === '' ? 'missing' : name === 'Run' || name.endsWith('port') ? 'code' : '');
    list.append(pair);
  }
  trace.replaceChildren(list);
  const label = cells.get('label') ?? '';
  if (label === '') return;
  for (const figure of document.querySelectorAll<HTMLElement>('#photographs figure'))
    if (figure.dataset.run === label) trace.append(figure.cloneNode(true));
}

const hashOf = ({ cells }: Line): string =>
  `#run=${encodeURIComponent(cells.get('label') || cells.get('device') || '')}`;

function showMany(found: readonly Line[]): void {
  const list = document.createElement('ol');
  for (const line of found.slice(0, MOST)) {
    const item = document.createElement('li');
    const link = document.createElement('a');
    link.href = hashOf(line);
    const of = (column: string) => line.cells.get(column) ?? '';
    put('b', of('label') || of('device'), link, 'code');
    link.append(
      ` ${[of('floor'), of('room'), of('outlet'), of('label') ? of('device') : ''].filter(Boolean).join(', ')}`,
    );
    item.append(link);
    list.append(item);
  }
  trace.replaceChildren(list);
  if (found.length > MOST) put('p', `and ${found.length - MOST} more: type more of it`, trace, 'soft');
}

function show(): void {
  const text = field.value;
  const found = find(text);
  const [only] = found;
  if (text.trim() === '') trace.replaceChildren(document.createTextNode(trace.dataset.empty ?? ''));
  else if (only === undefined)
    trace.replaceChildren(document.createTextNode(`Nothing here is called “${typed(text)}”.`));
  else if (found.length === 1) showOne(only);
  else showMany(found);
}

/** Places of the file are linked as `#run=12`, `#panel=…`, `#cabinet=…`: they are looked for like what is typed. */
function fromHash(): void {
  const found = /^#(?:run|panel|cabinet|trace)=(.*)$/.exec(location.hash);
  if (!found) return;
  try {
    field.value = decodeURIComponent(found[1] ?? '');
  } catch {
    field.value = found[1] ?? '';
  }
  show();
  trace.scrollIntoView({ block: 'nearest' });
}

field.addEventListener('input', show);
addEventListener('hashchange', fromHash);
// A link to what the address says already changes nothing of it.
document.addEventListener('click', (event) => {
  const link = (event.target as Element | null)?.closest('a[href^="#"]');
  if (link?.getAttribute('href') === location.hash) fromHash();
});
document.getElementById('print')?.addEventListener('click', () => print());

const made = document.getElementById('made');
const days = Math.floor((Date.now() - new Date(made?.dataset.at ?? '').getTime()) / 86_400_000);
if (made && Number.isFinite(days)) {
  const age =
    days < 1
      ? 'It was made today.'
      : days < 60
        ? `It is ${days === 1 ? 'one day' : `${days} days`} old.`
        : `It is ${Math.floor(days / 30.4)} months old.`;
  put('b', ` ${age}${days > 365 ? ' Ask whether there is a newer one.' : ''}`, made, days > 365 ? 'warn' : '');
}
show();
fromHash();
field.focus();
