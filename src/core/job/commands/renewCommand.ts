import { CORD_FIELDS } from '../records/earlierCords';

type Loose = Record<string, unknown>;
const isLoose = (value: unknown): value is Loose =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** Fields of a row, or changes of them, by today's names. */
function renewFields(table: unknown, fields: unknown): unknown {
  if (!isLoose(fields)) return fields;
  const now = { ...fields };
  const rename = (was: string, is: string) => {
    if (!(was in now)) return;
    // Of two fields that became one, the one that says something stands.
    if (now[was] !== null || !(is in now)) now[is] = now[was];
    delete now[was];
  };
  if (table === 'cords') for (const [was, is] of CORD_FIELDS) rename(was, is);
  if (table === 'vouches') rename('uplinkId', 'cordId');
  return now;
}

const renewTable = (table: unknown): unknown => (table === 'uplinks' ? 'cords' : table);

/**
 * A command that an earlier version of the program made and that waited since, as today's version makes it. What was to be
 * done is the same; a command of today comes back as it is.
 * @param command parsed JSON; what is no command at all is left for the schema to refuse
 */
export function renewCommand(command: unknown): unknown {
  if (!isLoose(command)) return command;
  const { type } = command;
  if (type === 'dropRows') return { ...command, table: renewTable(command.table) };
  const list = type === 'keepRows' ? 'rows' : type === 'editRows' ? 'edits' : null;
  if (list === null || !Array.isArray(command[list])) return command;
  const part = type === 'keepRows' ? 'record' : 'changes';
  const rows = (command[list] as unknown[]).map((row) =>
    isLoose(row) ? { ...row, table: renewTable(row.table), [part]: renewFields(row.table, row[part]) } : row,
  );
  return { ...command, [list]: rows };
}
