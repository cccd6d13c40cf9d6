import { describe, expect, it } from 'vitest';
import { readSeen, readSeenCsv } from './seenCsv';

describe('what a switch sees, as CSV', () => {
  it('is a row a port, or several with an address each', () => {
    const seen = readSeen(
      'Port;Up;Mbps;Duplex;Errors;PoE;PoE class;Network;Address;Neighbour\n2;up;1000;full;0;delivering;4;20;02-00-5E-00-53-01;\n2;up;1000;full;0;delivering;4;20;2:0:5e:0:53:2;\n1;down;;;;;;;;Hall switch\n',
    );
    expect(seen).toMatchObject([
      { port: 1, up: false, mbps: null, poe: null, neighbours: ['Hall switch'] },
      { port: 2, up: true, mbps: 1000, halfDuplex: false, poe: 'delivering', poeClass: 4, network: 20 },
    ]);
    expect(seen[1]?.addresses).toEqual(['02:00:5e:00:53:01', '02:00:5e:00:53:02']);
  });

  it('names row and field of what is wrong', () => {
    expect(() => readSeenCsv('port,up\n1,perhaps\n')).toThrow('Row 2, up: found “perhaps”, expected up or down.');
    expect(() => readSeenCsv('port,mbps\n1,fast\n')).toThrow('Row 2, mbps: found “fast”, expected a whole number.');
    expect(() => readSeenCsv('port,address\n1,nobody\n')).toThrow('Row 2, address');
    expect(() => readSeenCsv('label,room\n1,hall\n')).toThrow('There is no column “port”');
    expect(() => readSeen('label,room\n1,hall\n')).toThrow('Nothing in it is of the standard modules');
  });
});
