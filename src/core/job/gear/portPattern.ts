import type { z } from 'zod';
import { CATEGORIES } from '../../base/standards/categoryReach';
import { CONNECTORS, type Connector } from '../../base/standards/connectors';
import { refuse } from '../../base/text/refusal';
import { formatSpeed } from '../../base/text/speed';
import { PortGroup } from '../records/gear';
import { CARRIES, type Carries } from '../records/run';

const NAMES: Record<string, Connector> = {
  rj45: 'rj45',
  copper: 'rj45',
  keystone: 'keystone',
  sfp: 'sfp',
  'sfp+': 'sfp+',
  sfp28: 'sfp28',
  qsfp28: 'qsfp28',
  lc: 'lc',
  sc: 'sc',
  f: 'f',
  coax: 'f',
};
/** Fastest speed of a connector where none is said, Mb/s; null on what only lands cables. */
const USUAL_MBPS: Record<Connector, number | null> = {
  rj45: 1000,
  keystone: null,
  sfp: 1000,
  'sfp+': 10_000,
  sfp28: 25_000,
  qsfp28: 100_000,
  lc: null,
  sc: null,
  f: null,
};
/** Watts at the port that supplies, by the name of its type. IEEE 802.3 clauses 33 and 145. */
const POE_W: Record<string, number> = { poe: 15.4, 'poe+': 30, 'poe++': 60 };

const categoryNamed = (word: string) => CATEGORIES.find((one) => `cat${one.toLowerCase()}` === word) ?? null;

const COUNT = /^(\d+)\s*[x×*]\s*(.+)$/i;
const SPEED = /^(\d+(?:[.,]\d+)?)(m|g)$/i;
const WATTS = /^(\d+(?:[.,]\d+)?)w$/i;

const number = (text: string) => Number(text.replace(',', '.'));

/**
 * Groups of ports from a line such as `24×RJ45 1G PoE+ 2 rows; 4×SFP+`: count and connector, then in any order speed,
 * power (PoE, PoE+, PoE++ or watts), rows, `rear`, `internet`, `pitch 16 mm`, `at 120 mm`; on panels also category
 * (`cat6a`), `screened`, `coupler` or `tool-less`, and what a keystone opening is for (`fibre`, `coax`).
 * @throws Refusal naming the group and what was expected
 */
export function parsePortPattern(text: string, active = true): PortGroup[] {
  const parts = text.split(/[;\n]/).map((part) => part.trim());
  return parts.flatMap((part, at) => (part === '' ? [] : [parseGroup(part, at + 1, active)]));
}

function parseGroup(part: string, at: number, active: boolean): PortGroup {
  const wrong = (words: string) => refuse('ports', `Port group ${at}, “${part}”: ${words}.`, `group ${at}`);
  const match = COUNT.exec(part);
  if (!match) return wrong('expected a count and a connector, such as 24×RJ45');
  const [, count = '', rest = ''] = match;
  const words = rest
    .replace(/(\d)\s+(rows?|mm)\b/gi, '$1$2')
    .split(/[\s,]+/)
    .filter(Boolean);
  const connector = NAMES[(words.shift() ?? '').toLowerCase()];
  if (!connector)
    return wrong(`expected one of ${CONNECTORS.map((one) => one.toUpperCase()).join(', ')} behind the count`);
  const group: z.input<typeof PortGroup> = {
    count: Number(count),
    connector,
    speedMbps: active ? USUAL_MBPS[connector] : null,
  };
  for (let index = 0; index < words.length; index++) {
    const word = (words[index] ?? '').toLowerCase();
    const speed = SPEED.exec(word);
    const watts = WATTS.exec(word);
    const rows = /^(\d)rows?$/.exec(word);
    if (speed)
      group.speedMbps = Math.round(number(speed[1] ?? '') * ((speed[2] ?? '').toLowerCase() === 'g' ? 1000 : 1));
    else if (watts) group.poeW = number(watts[1] ?? '');
    else if (word in POE_W) group.poeW = POE_W[word] ?? 0;
    else if (rows) group.rows = Number(rows[1]);
    else if (word === 'rear' || word === 'front') group.side = word;
    else if (/^cat/.test(word) && categoryNamed(word)) group.category = categoryNamed(word);
    else if (word === 'screened') group.screened = true;
    else if (word === 'punch' || word === 'tool-less' || word === 'coupler') group.fitting = word;
    else if ((CARRIES as readonly string[]).includes(word)) group.carries = word as Carries;
    else if (word === 'internet') group.use = 'internet';
    else if (word === 'pitch' || word === 'at') {
      const size = /^(\d+(?:[.,]\d+)?)mm$/.exec((words[++index] ?? '').toLowerCase());
      if (!size) return wrong(`expected millimetres behind ${word}, such as ${word} 16 mm`);
      group[word === 'pitch' ? 'pitchMm' : 'xMm'] = number(size[1] ?? '');
    } else
      return wrong(
        `“${words[index]}” is not understood: expected a speed such as 2.5G, PoE+, 60W, 2 rows, rear, internet, cat6a, screened, coupler, tool-less, fibre, coax, pitch or at`,
      );
  }
  const checked = PortGroup.safeParse(group);
  if (!checked.success) {
    const [issue] = checked.error.issues;
    return wrong(`${issue?.path.join('.')}: ${issue?.message}`);
  }
  return checked.data;
}

const WRITTEN: Record<Connector, string> = {
  rj45: 'RJ45',
  keystone: 'keystone',
  sfp: 'SFP',
  'sfp+': 'SFP+',
  sfp28: 'SFP28',
  qsfp28: 'QSFP28',
  lc: 'LC',
  sc: 'SC',
  f: 'F',
};

const shortSpeed = (mbps: number) => (mbps >= 1000 ? `${mbps / 1000}G` : `${mbps}M`);

/** The line that says the same as a device's groups of ports. */
export function portPattern(ports: readonly PortGroup[]): string {
  return ports
    .map(({ count, connector, speedMbps, poeW, use, rows, pitchMm, xMm, side, ...jack }) => {
      const type = Object.entries(POE_W).find(([, watts]) => watts === poeW)?.[0];
      return [
        `${count}×${WRITTEN[connector]}`,
        speedMbps === null || speedMbps === USUAL_MBPS[connector] ? '' : shortSpeed(speedMbps),
        poeW === 0 ? '' : (type?.replace('poe', 'PoE') ?? `${poeW}W`),
        rows === null ? '' : `${rows} ${rows === 1 ? 'row' : 'rows'}`,
        pitchMm === null ? '' : `pitch ${pitchMm} mm`,
        xMm === null ? '' : `at ${xMm} mm`,
        side === 'rear' ? 'rear' : '',
        use === 'internet' ? 'internet' : '',
        jack.category === null ? '' : `cat${jack.category.toLowerCase()}`,
        jack.screened ? 'screened' : '',
        jack.fitting === 'punch' ? '' : jack.fitting,
        jack.carries ?? '',
      ]
        .filter(Boolean)
        .join(' ');
    })
    .join('; ');
}

/** Ports in words, for a list: `24 × RJ45 1 Gb/s`. */
export const portWords = (ports: readonly PortGroup[]): string =>
  ports
    .map(({ count, connector, speedMbps }) =>
      [`${count} × ${WRITTEN[connector]}`, speedMbps === null ? '' : formatSpeed(speedMbps)].filter(Boolean).join(' '),
    )
    .join(', ');
