import { createSocket } from 'node:dgram';
import snmp from 'net-snmp';
import type { TreeColumn, TreeValue } from '../core/trade/testing/switches/managementTree';

/** A column of a table: its number, its type, and which part of the tree it holds. */
type Column = { number: number; name: string; type: 'Integer' | 'Gauge' | 'Counter' | 'OctetString'; of: TreeColumn };
type Table = {
  name: string;
  /** Of its entry. */
  oid: string;
  /** What stands behind a column's number: whole numbers, or octets of a fixed count. */
  index: readonly { name: string; octets?: number }[];
  columns: readonly Column[];
};

const TABLES: readonly Table[] = [
  {
    name: 'ifEntry',
    oid: '1.3.6.1.2.1.2.2.1',
    index: [{ name: 'ifIndex' }],
    columns: [{ number: 8, name: 'ifOperStatus', type: 'Integer', of: 'operStatus' }],
  },
  {
    name: 'dot3StatsEntry',
    oid: '1.3.6.1.2.1.10.7.2.1',
    index: [{ name: 'dot3StatsIndex' }],
    columns: [
      { number: 3, name: 'dot3StatsFCSErrors', type: 'Counter', of: 'fcsErrors' },
      { number: 19, name: 'dot3StatsDuplexStatus', type: 'Integer', of: 'duplex' },
    ],
  },
  {
    name: 'dot1dBasePortEntry',
    oid: '1.3.6.1.2.1.17.1.4.1',
    index: [{ name: 'dot1dBasePort' }],
    columns: [{ number: 2, name: 'dot1dBasePortIfIndex', type: 'Integer', of: 'basePort' }],
  },
  {
    name: 'dot1dTpFdbEntry',
    oid: '1.3.6.1.2.1.17.4.3.1',
    index: [{ name: 'dot1dTpFdbAddress', octets: 6 }],
    columns: [{ number: 2, name: 'dot1dTpFdbPort', type: 'Integer', of: 'learnt' }],
  },
  {
    name: 'dot1qPortVlanEntry',
    oid: '1.3.6.1.2.1.17.7.1.4.5.1',
    index: [{ name: 'dot1qPort' }],
    columns: [{ number: 1, name: 'dot1qPvid', type: 'Gauge', of: 'network' }],
  },
  {
    name: 'ifXEntry',
    oid: '1.3.6.1.2.1.31.1.1.1',
    index: [{ name: 'ifXIndex' }],
    columns: [
      { number: 1, name: 'ifName', type: 'OctetString', of: 'name' },
      { number: 15, name: 'ifHighSpeed', type: 'Gauge', of: 'highSpeed' },
    ],
  },
  {
    name: 'pethPsePortEntry',
    oid: '1.3.6.1.2.1.105.1.1.1',
    index: [{ name: 'pethPsePortGroupIndex' }, { name: 'pethPsePortIndex' }],
    columns: [
      { number: 6, name: 'pethPsePortDetectionStatus', type: 'Integer', of: 'poeState' },
      { number: 10, name: 'pethPsePortPowerClassifications', type: 'Integer', of: 'poeClass' },
    ],
  },
  {
    name: 'pethMainPseEntry',
    oid: '1.3.6.1.2.1.105.1.3.1.1',
    index: [{ name: 'pethMainPseGroupIndex' }],
    columns: [
      { number: 2, name: 'pethMainPsePower', type: 'Gauge', of: 'poeBudgetW' },
      { number: 4, name: 'pethMainPseConsumptionPower', type: 'Gauge', of: 'poeDrawnW' },
    ],
  },
  {
    name: 'lldpRemEntry',
    oid: '1.0.8802.1.1.2.1.4.1.1',
    index: [{ name: 'lldpRemTimeMark' }, { name: 'lldpRemLocalPortNum' }, { name: 'lldpRemIndex' }],
    columns: [{ number: 9, name: 'lldpRemSysName', type: 'OctetString', of: 'neighbour' }],
  },
];

/** Numbers of columns that only hold what stands in an index: no agent answers with them. */
const INDEX_COLUMNS = 900;

export type SwitchAgent = { port: number; close: () => void };
export type AgentUser = { name: string; authKey: string; privKey: string };

/**
 * A simulated switch that answers a management client on this machine only, read only. It is not a real one.
 * @param port 0: one that is free
 * @param user of version 3, beside the community of version 2c
 */
export function startSwitchAgent(
  values: readonly TreeValue[],
  { port, community, user }: { port: number; community: string; user?: AgentUser },
): Promise<SwitchAgent> {
  let socket = createSocket('udp4');
  const agent = snmp.createAgent(
    {
      accessControlModelType: snmp.AccessControlModelType.Simple,
      // The package takes port 0 for the usual one: the socket is bound here, and to this machine only.
      dgramModule: {
        createSocket: () => {
          socket = createSocket('udp4');
          const bind = socket.bind.bind(socket);
          socket.bind = () => bind(port, '127.0.0.1');
          return socket;
        },
      },
    },
    () => {
      // A packet that cannot be read is nobody's request.
    },
  );
  const authorizer = agent.getAuthorizer();
  authorizer.addCommunity(community);
  if (user)
    authorizer.addUser({
      ...user,
      level: snmp.SecurityLevel.authPriv,
      authProtocol: snmp.AuthProtocols.sha,
      privProtocol: snmp.PrivProtocols.aes,
    });
  for (const { name, oid, index, columns } of TABLES) {
    const rows = new Map<string, { index: readonly number[]; cells: Map<TreeColumn, string> }>();
    for (const value of values) {
      if (!columns.some(({ of }) => of === value.column)) continue;
      const key = value.index.join('.');
      const row = rows.get(key) ?? { index: value.index, cells: new Map<TreeColumn, string>() };
      row.cells.set(value.column, value.value);
      rows.set(key, row);
    }
    if (rows.size === 0) continue;
    agent.registerProvider({
      name,
      type: snmp.MibProviderType.Table,
      oid,
      maxAccess: snmp.MaxAccess['not-accessible'],
      tableColumns: [
        ...index.map((one, at) => ({
          number: INDEX_COLUMNS + at,
          name: one.name,
          type: one.octets ? snmp.ObjectType.OctetString : snmp.ObjectType.Integer,
          maxAccess: snmp.MaxAccess['not-accessible'],
        })),
        ...columns.map(({ number, name: column, type }) => ({
          number,
          name: column,
          type: snmp.ObjectType[type],
          maxAccess: snmp.MaxAccess['read-only'],
        })),
      ],
      tableIndex: index.map((one) => ({ columnName: one.name, ...(one.octets ? { length: one.octets } : {}) })),
    });
    for (const { index: place, cells } of rows.values()) {
      const [first] = index;
      const keys = first?.octets ? [Buffer.from(place)] : [...place];
      agent.getMib().addTableRow(name, [
        ...keys,
        ...columns.map(({ of, type }) => {
          const cell = cells.get(of);
          return type === 'OctetString' ? (cell ?? '') : Number(cell ?? 0);
        }),
      ]);
    }
  }
  return new Promise((resolve, reject) => {
    socket.once('listening', () => resolve({ port: socket.address().port, close: () => agent.close() }));
    socket.once('error', reject);
  });
}
