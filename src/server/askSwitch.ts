import snmp, { type Session, type Varbind } from 'net-snmp';
import { Refusal } from '../core/base/text/refusal';
import type { AskSwitch } from '../core/exchange/wire/switches';
import { TREE } from '../core/trade/testing/switches/managementTree';

/** A switch is given up after so long; one answer after so long, tried once more. Milliseconds. */
const PATIENCE = { whole: 30_000, one: 2_000 };
type Patience = typeof PATIENCE;
const MOST_VALUES = 200_000;
const MOST_OCTETS = 512;
const REPETITIONS = 25;

const AUTH = {
  none: snmp.AuthProtocols.none,
  sha: snmp.AuthProtocols.sha,
  sha256: snmp.AuthProtocols.sha256,
  sha512: snmp.AuthProtocols.sha512,
} as const;
const PRIV = {
  none: snmp.PrivProtocols.none,
  aes: snmp.PrivProtocols.aes,
  aes256: snmp.PrivProtocols.aes256b,
} as const;

function openSession({ address, port, as }: AskSwitch, patience: Patience): Session {
  const common = {
    port,
    retries: 1,
    timeout: patience.one,
    transport: address.includes(':') ? ('udp6' as const) : ('udp4' as const),
  };
  if (as.version === '2c') return snmp.createSession(address, as.community, { ...common, version: snmp.Version2c });
  const { user, auth, authKey, priv, privKey } = as;
  const level =
    priv !== 'none'
      ? snmp.SecurityLevel.authPriv
      : auth !== 'none'
        ? snmp.SecurityLevel.authNoPriv
        : snmp.SecurityLevel.noAuthNoPriv;
  return snmp.createV3Session(
    address,
    {
      name: user,
      level,
      ...(auth === 'none' ? {} : { authProtocol: AUTH[auth], authKey }),
      ...(priv === 'none' ? {} : { privProtocol: PRIV[priv], privKey }),
    },
    common,
  );
}

/** One value as a walk prints it with numbers; null for what is no value. */
function lineOf({ oid, type, value }: Varbind): string | null {
  if (!/^[\d.]+$/.test(oid)) return null;
  const say = (kind: string, text: string) => `.${oid} = ${kind}: ${text}`;
  if (Buffer.isBuffer(value) && type === snmp.ObjectType.Counter64) {
    // Its length varies: leading noughts are left out.
    return value.length <= 9 ? say('Counter64', BigInt(`0x${value.toString('hex') || '0'}`).toString()) : null;
  }
  if (Buffer.isBuffer(value)) {
    const octets = value.subarray(0, MOST_OCTETS);
    const plain = octets.every((octet) => octet >= 0x20 && octet < 0x7f);
    return plain
      ? say('STRING', `"${octets.toString('latin1').replace(/[\\"]/g, (one) => `\\${one}`)}"`)
      : say(
          'Hex-STRING',
          octets
            .toString('hex')
            .toUpperCase()
            .replace(/..(?=.)/g, '$& '),
        );
  }
  if (typeof value !== 'number' || !Number.isSafeInteger(value)) return null;
  const kinds: Partial<Record<number, string>> = {
    [snmp.ObjectType.Integer]: 'INTEGER',
    [snmp.ObjectType.Counter]: 'Counter32',
    [snmp.ObjectType.Gauge]: 'Gauge32',
    [snmp.ObjectType.TimeTicks]: 'Timeticks',
  };
  return say(kinds[type ?? 0] ?? 'INTEGER', String(value));
}

const parts = (oid: string): number[] => oid.split('.').map(Number);
function isAfter(oid: string, before: string): boolean {
  const [a, b] = [parts(oid), parts(before)];
  for (let at = 0; at < Math.max(a.length, b.length); at++) {
    const difference = (a[at] ?? -1) - (b[at] ?? -1);
    if (difference !== 0) return difference > 0;
  }
  return false;
}

type Reading = { lines: string[]; until: number };

/** Everything below one column, one request after the other. @throws Refusal */
function walkColumn(session: Session, root: string, reading: Reading): Promise<void> {
  let last = root;
  let stopped: string | null = null;
  const { lines, until } = reading;
  return new Promise((resolve, reject) => {
    const stop = (words: string): true => {
      stopped = words;
      return true;
    };
    session.subtree(
      root,
      REPETITIONS,
      (varbinds) => {
        for (const varbind of varbinds) {
          if (snmp.isVarbindError(varbind)) continue;
          if (!isAfter(varbind.oid, last)) return stop('Its answers go round in a circle.');
          last = varbind.oid;
          const line = lineOf(varbind);
          if (line !== null) lines.push(line);
          if (lines.length > MOST_VALUES) return stop(`It has more than ${MOST_VALUES} values.`);
        }
        if (performance.now() > until) return stop('It took too long.');
        return false;
      },
      (fault) => {
        if (stopped !== null) reject(refused(stopped));
        else if (fault) reject(fault);
        else resolve();
      },
    );
  });
}

const refused = (words: string) => new Refusal('switch', `The switch could not be read. ${words}`);

/**
 * What a switch says of the standard modules, as a walk prints it with numbers. Read only: nothing is ever set.
 * @throws Refusal when it does not answer, or not as one does
 */
export async function askSwitch(
  given: AskSwitch,
  patience: Patience = PATIENCE,
): Promise<{ walk: string; values: number; seconds: number }> {
  const began = performance.now();
  const session = openSession(given, patience);
  let failed: Error | null = null;
  session.on('error', (fault: Error) => {
    failed = fault;
  });
  const reading: Reading = { lines: [], until: began + patience.whole };
  try {
    for (const root of Object.values(TREE)) {
      if (performance.now() > reading.until) throw refused('It took too long.');
      await walkColumn(session, root, reading);
      if (failed) throw failed;
    }
  } catch (fault) {
    if (fault instanceof Error && fault.name === 'RequestTimedOutError')
      throw refused('It does not answer: wrong address, wrong community or user, or not allowed to ask from here.');
    if (fault instanceof Refusal) throw fault;
    throw refused(fault instanceof Error ? `It answers ${fault.message}.` : 'It answers nonsense.');
  } finally {
    session.close();
  }
  const { lines } = reading;
  if (lines.length === 0) throw refused('It answers, and says nothing of the standard modules.');
  return { walk: `${lines.join('\n')}\n`, values: lines.length, seconds: (performance.now() - began) / 1000 };
}
