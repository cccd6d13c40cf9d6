import { BlockList, isIP } from 'node:net';
import { refuse } from '../core/base/text/refusal';

/** Addresses that may be asked, and whether each is for machines of a private network. */
const PRIVATE = new BlockList();
for (const [net, bits] of [
  ['10.0.0.0', 8],
  ['172.16.0.0', 12],
  ['192.168.0.0', 16],
  ['100.64.0.0', 10],
  ['169.254.0.0', 16],
  ['127.0.0.0', 8],
] as const)
  PRIVATE.addSubnet(net, bits, 'ipv4');
for (const [net, bits] of [
  ['fc00::', 7],
  ['fe80::', 10],
  ['::1', 128],
] as const)
  PRIVATE.addSubnet(net, bits, 'ipv6');

const kindOf = (address: string): 'ipv4' | 'ipv6' | null => {
  const version = isIP(address);
  return version === 4 ? 'ipv4' : version === 6 ? 'ipv6' : null;
};
const isPrivate = (address: string): boolean => {
  const kind = kindOf(address);
  return kind !== null && PRIVATE.check(address, kind);
};

export type SwitchList = { entries: readonly string[]; allows: (address: string) => boolean };

/**
 * Addresses of switches that the owner lets the program ask: single ones or ranges such as 192.168.10.0/24. Only numbers,
 * no names, so that nothing else is reached through a name; only private ones, unless the owner says otherwise.
 * @throws Refusal that names the entry
 */
export function readSwitchList(text: string, publicToo = false): SwitchList {
  const list = new BlockList();
  const entries = text.split(/[\s,;]+/).filter(Boolean);
  for (const entry of entries) {
    const [address = '', bits, ...more] = entry.split('/');
    const kind = kindOf(address);
    const most = kind === 'ipv4' ? 32 : 128;
    const size = bits === undefined ? most : /^\d{1,3}$/.test(bits) ? Number(bits) : -1;
    if (kind === null || more.length > 0 || size < 0 || size > most)
      refuse(
        'switch-list',
        `“${entry}”: expected an address such as 192.168.10.2, or a range such as 192.168.10.0/24.`,
      );
    if (!publicToo && (!isPrivate(address) || size < (kind === 'ipv4' ? 8 : 7)))
      refuse('switch-list', `“${entry}” is not of a private network: it is only asked where public ones are allowed.`);
    if (kind !== null) list.addSubnet(address, size, kind);
  }
  return {
    entries,
    allows: (address) => {
      const kind = kindOf(address);
      return kind !== null && list.check(address, kind) && (publicToo || isPrivate(address));
    },
  };
}

/** The owner's list, from the environment that the server was started with. */
export const ownersList = (): SwitchList =>
  readSwitchList(process.env.SHELF_SWITCHES ?? '', process.env.SHELF_SWITCHES_PUBLIC === '1');
