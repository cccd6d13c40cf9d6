import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { root } from './root';

/** Packages that are compiled into scripts and styles that are sent to browsers, and are not there by name. */
const COMPILED = (): string[] =>
  Object.keys((JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { dependencies: object }).dependencies);

/** Names, versions and licences of packages that ship, each with the text that it brings. @param names of packages that ship as files */
export function licences(names: readonly string[]): string {
  const all = [...new Set([...names, ...COMPILED()])].sort();
  const parts = all.flatMap((name) => {
    const folder = join(root, 'node_modules', name);
    if (!existsSync(join(folder, 'package.json'))) return [];
    const { version, license } = JSON.parse(readFileSync(join(folder, 'package.json'), 'utf8')) as {
      version?: string;
      license?: string;
    };
    const file = readdirSync(folder).find((one) => /^(licen[cs]e|ofl|copying)/i.test(one));
    const text = file ? readFileSync(join(folder, file), 'utf8').trim() : 'The package brings no text of its licence.';
    return [`${name} ${version ?? ''}: ${license ?? 'see its text'}\n\n${text}\n`];
  });
  return `Good Shelf is under the MIT licence (LICENSE). It ships with these packages:\n\n${parts.join(`\n${'-'.repeat(72)}\n\n`)}`;
}
