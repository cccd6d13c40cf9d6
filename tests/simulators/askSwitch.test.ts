import { execFile, spawn } from 'node:child_process';
import { createSocket, type RemoteInfo, type Socket } from 'node:dgram';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { promisify } from 'node:util';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { AskSwitch } from '../../src/core/exchange/wire/switches';
import { patchCordsOf } from '../../src/core/job/document/cordKinds';
import { indexJob } from '../../src/core/job/document/jobIndex';
import { isSwitching } from '../../src/core/job/records/ports';
import { readSwitchWatts, readWalk } from '../../src/core/trade/testing/switches/readWalk';
import { askSwitch } from '../../src/server/askSwitch';
import { readSwitchList } from '../../src/server/switchList';
import { readSwitchFault, simulatedValues, simulatedWalk } from '../../src/simulators/managedSwitch';
import { type SwitchAgent, startSwitchAgent } from '../../src/simulators/switchAgent';
import { powered } from '../support/powered';

const job = powered();
const device = indexJob(job).gearInOrder.find(
  (gear) => isSwitching(gear) && Object.values(patchCordsOf(job)).some(({ switchId }) => switchId === gear.id),
);
if (!device) throw new Error('a switch');
const USER = { name: 'shelf', authKey: 'twelve letters', privKey: 'other letters' };
const faults = ['slow 2', 'errors 3', 'hub 4'].map(readSwitchFault);
const run = promisify(execFile);
/** Debian's tools read no files of descriptions here: all is asked and printed by number. */
const bare = { ...process.env, MIBS: '' };
const as2c = (community: string) => ({ version: '2c' as const, community });
const as3 = (more: object = {}) => ({
  version: '3' as const,
  user: USER.name,
  auth: 'sha' as const,
  authKey: USER.authKey,
  priv: 'aes' as const,
  privKey: USER.privKey,
  ...more,
});

describe('a simulated switch', () => {
  let agent: SwitchAgent;
  const at = (as: AskSwitch['as']) => askSwitch({ address: '127.0.0.1', port: agent.port, as });
  beforeAll(async () => {
    agent = await startSwitchAgent(simulatedValues(job, device, faults), { port: 0, community: 'look', user: USER });
  });
  afterAll(() => agent.close());

  it('is read by version 2c and by version 3, and both say what the text of its walk says', async () => {
    const text = simulatedWalk(job, device, faults);
    for (const as of [as2c('look'), as3()]) {
      const { walk, values } = await at(as);
      expect(readWalk(walk)).toEqual(readWalk(text));
      expect(readSwitchWatts(walk)).toEqual(readSwitchWatts(text));
      expect(values).toBeGreaterThan(100);
    }
  });

  it('says nothing to who does not know its community or its keys', async () => {
    await expect(at(as2c('guessed'))).rejects.toThrow('It does not answer');
    await expect(at(as3({ authKey: 'some other letters' }))).rejects.toThrow('could not be read');
  });

  it('is read by Debian’s tools, by 2c and by 3', async () => {
    const target = `127.0.0.1:${agent.port}`;
    const root = '.1.3.6.1.2.1';
    const plain = ['-v2c', '-c', 'look'];
    const v3 = [
      '-v3',
      '-u',
      USER.name,
      '-l',
      'authPriv',
      '-a',
      'SHA',
      '-A',
      USER.authKey,
      '-x',
      'AES',
      '-X',
      USER.privKey,
    ];
    const text = simulatedWalk(job, device, faults);
    for (const [tool, words] of [
      ['snmpwalk', plain],
      ['snmpbulkwalk', plain],
      ['snmpbulkwalk', v3],
    ] as const) {
      const { stdout } = await run(tool, [...words, '-On', target, root], { env: bare });
      const both = await run(tool, [...words, '-On', target, '.1.0.8802'], { env: bare });
      expect(readWalk(stdout + both.stdout)).toEqual(readWalk(text));
    }
    await expect(run('snmpset', [...plain, target, '.1.3.6.1.2.1.2.2.1.8.1', 'i', '2'], { env: bare })).rejects.toThrow(
      /noAccess|notWritable|noSuchName|authorizationError|readOnly|Timeout/i,
    );
  });
});

describe('Debian’s agent', () => {
  const folder = mkdtempSync(join(tmpdir(), 'agent-'));
  const port = 20_000 + (process.pid % 20_000);
  let child: ReturnType<typeof spawn>;
  beforeAll(async () => {
    const config = join(folder, 'snmpd.conf');
    writeFileSync(
      config,
      [
        `agentaddress udp:127.0.0.1:${port}`,
        'rocommunity look 127.0.0.1',
        `createUser ${USER.name} SHA "${USER.authKey}" AES "${USER.privKey}"`,
        `rouser ${USER.name} authpriv`,
        '',
      ].join('\n'),
    );
    child = spawn('/usr/sbin/snmpd', ['-f', '-C', '-c', config, '-Lf', '/dev/null', '-p', join(folder, 'pid')], {
      env: { ...bare, SNMP_PERSISTENT_DIR: folder },
      stdio: 'ignore',
    });
    for (let round = 0; round < 40; round++) {
      const up = await run(
        'snmpget',
        ['-v2c', '-c', 'look', '-r0', '-t0.3', `127.0.0.1:${port}`, '.1.3.6.1.2.1.1.3.0'],
        {
          env: bare,
        },
      ).then(
        () => true,
        () => false,
      );
      if (up) return;
      await new Promise((wait) => setTimeout(wait, 150));
    }
    throw new Error('it does not start');
  });
  afterAll(() => {
    child.kill('SIGKILL');
    rmSync(folder, { recursive: true, force: true });
  });

  it('is read by ours, by 2c and by 3: it has at least the interface of this machine to itself', async () => {
    for (const as of [as2c('look'), as3()]) {
      const { walk } = await askSwitch({ address: '127.0.0.1', port, as });
      const ports = readWalk(walk);
      expect(ports.length).toBeGreaterThan(0);
      expect(ports.some(({ up }) => up === true)).toBe(true);
    }
  });
});

/** Something that answers each packet with what is made of it. */
async function answering(make: (packet: Buffer) => readonly Buffer[]): Promise<{ port: number; socket: Socket }> {
  const socket = createSocket('udp4');
  socket.on('message', (packet: Buffer, from: RemoteInfo) => {
    for (const one of make(packet)) socket.send(one, from.port, from.address);
  });
  await new Promise<void>((done) => socket.bind(0, '127.0.0.1', done));
  return { port: socket.address().port, socket };
}

describe('what answers badly', () => {
  const ask = (port: number) => askSwitch({ address: '127.0.0.1', port, as: as2c('look') }, { whole: 3_000, one: 250 });

  it.each([
    ['nothing at all', () => []],
    ['noise', () => [Buffer.from('not a management packet at all')]],
    ['half a packet', (packet: Buffer) => [packet.subarray(0, packet.length - 3)]],
    ['its own question', (packet: Buffer) => [packet]],
    ['a packet that says it is huge', () => [Buffer.from([0x30, 0x84, 0x7f, 0xff, 0xff, 0xff, 0x02, 0x01])]],
    ['an empty packet', () => [Buffer.alloc(0)]],
    ['a flood', () => Array.from({ length: 200 }, () => Buffer.alloc(1400, 0x30))],
  ])(
    '%s is refused in words, and soon',
    async (_, make) => {
      const { port, socket } = await answering(make);
      try {
        const began = performance.now();
        await expect(ask(port)).rejects.toMatchObject({ name: 'Refusal', code: 'switch' });
        expect(performance.now() - began).toBeLessThan(6_000);
      } finally {
        socket.close();
      }
    },
    20_000,
  );

  it('what goes round in a circle is left', async () => {
    // Each answer is the question turned into a response: the same place again, with a value.
    const { port, socket } = await answering((packet) => {
      const asked = packet.indexOf(Buffer.from([0xa5]));
      const answer = Buffer.from(packet);
      answer[asked] = 0xa2;
      return [answer];
    });
    try {
      await expect(ask(port)).rejects.toMatchObject({ name: 'Refusal', code: 'switch' });
    } finally {
      socket.close();
    }
  });
});

describe('what is large or slow', () => {
  it('thousands of addresses are read whole', async () => {
    const many = Array.from({ length: 5_000 }, (_, at) => ({
      column: 'learnt' as const,
      index: [2, 0, 0, 0, at >> 8, at & 255],
      type: 'INTEGER' as const,
      value: '7',
    }));
    const agent = await startSwitchAgent([...simulatedValues(job, device, []), ...many], {
      port: 0,
      community: 'look',
    });
    try {
      const { walk } = await askSwitch({ address: '127.0.0.1', port: agent.port, as: as2c('look') });
      expect(readWalk(walk).find(({ port }) => port === 7)?.addresses.length).toBeGreaterThanOrEqual(5_000);
    } finally {
      agent.close();
    }
  });

  it('one that takes too long over each answer is given up in time', async () => {
    const agent = await startSwitchAgent(simulatedValues(job, device, []), { port: 0, community: 'look' });
    const late = createSocket('udp4');
    const ahead = createSocket('udp4');
    let asker: RemoteInfo | null = null;
    late.on('message', (packet, from) => {
      asker = from;
      ahead.send(packet, agent.port, '127.0.0.1');
    });
    ahead.on('message', (packet) => setTimeout(() => asker && late.send(packet, asker.port, asker.address), 200));
    await new Promise<void>((done) => late.bind(0, '127.0.0.1', done));
    try {
      const began = performance.now();
      const given = { address: '127.0.0.1', port: late.address().port, as: as2c('look') };
      await expect(askSwitch(given, { whole: 900, one: 600 })).rejects.toThrow('took too long');
      expect(performance.now() - began).toBeLessThan(4_000);
    } finally {
      late.close();
      ahead.close();
      agent.close();
    }
  });
});

describe('the owner’s list', () => {
  it('allows what is on it, and nothing else', () => {
    const list = readSwitchList('192.168.10.0/24, 10.0.0.5 fd00::1');
    expect(list.allows('192.168.10.7')).toBe(true);
    expect(list.allows('10.0.0.5')).toBe(true);
    expect(list.allows('fd00::1')).toBe(true);
    for (const other of [
      '192.168.11.7',
      '10.0.0.6',
      '127.0.0.1',
      '203.0.113.5',
      'switch.example',
      '',
      '192.168.10.7.1',
    ])
      expect(list.allows(other)).toBe(false);
    expect(readSwitchList('').allows('192.168.10.7')).toBe(false);
  });

  it('takes numbers only, and private ones unless it is said otherwise', () => {
    for (const bad of [
      'switch.example',
      '192.168.1.0/33',
      '192.168.1.0/24/8',
      '300.1.1.1',
      '0.0.0.0/0',
      '203.0.113.0/24',
    ])
      expect(() => readSwitchList(bad)).toThrow();
    expect(readSwitchList('203.0.113.0/24', true).allows('203.0.113.9')).toBe(true);
  });

  it('wants keys that are long enough, and who asks before what is hidden', () => {
    const given = (as: object) => AskSwitch.safeParse({ address: '192.168.10.2', as }).success;
    expect(given(as2c('look'))).toBe(true);
    expect(given(as3())).toBe(true);
    expect(given(as3({ authKey: 'short' }))).toBe(false);
    expect(given(as3({ auth: 'none' }))).toBe(false);
    expect(given({ version: '1', community: 'look' })).toBe(false);
  });
});
