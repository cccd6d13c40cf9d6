import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chmodSync,
  copyFileSync,
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { nodeFileTrace } from '@vercel/nft';
import { ensureBuild } from './lib/build';
import { buildFolder, partsFolder } from './lib/builtParts';
import { licences } from './lib/licences';
import { RELEASE_FILE, type Release } from './lib/release';
import { root } from './lib/root';
import { RELEASED } from './lib/serverParts';

/* Makes one archive that runs with Node and DATABASE_URL alone: `npm run package`. It is for machines of the kind that it is made on. */

/** What is only for building, whatever imports it. */
const NOT_SHIPPED = ['node_modules/esbuild/**', 'node_modules/typescript/**', 'node_modules/tsx/**'];
/** The framework is taken whole, but for what is only for developing: following its imports takes a minute and a half. */
const FRAMEWORK = 'node_modules/next';
const FRAMEWORK_PARTS = /^(package\.json|dist\/(?!esm\/|docs\/).*(?<!\.dev)\.([cm]?js|json|wasm))$/;
const FOR_DEVELOPING = /experimental|next-devtools|bundle-analyzer/;
/** Packages that are found by name or read as files at run time, which following imports does not see. */
const WHOLE = [
  /^@img\//,
  /^@node-rs\/argon2/,
  /^@resvg\/resvg-wasm$/,
  /^@expo-google-fonts\/jetbrains-mono$/,
  /^pdfkit$/,
  /^fontkit$/,
];
/** Beside the program. */
const BESIDE = ['demo', 'LICENSE', 'CHANGELOG.md', 'docs/serving.md', 'docs/security.md'];

const say = (text: string) => console.log(text);

function* filesIn(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* filesIn(path);
    else yield path;
  }
}

/** All packages that are installed at the top, by name. */
const installed = (): string[] =>
  readdirSync(join(root, 'node_modules')).flatMap((name) =>
    name.startsWith('@') ? readdirSync(join(root, 'node_modules', name)).map((one) => `${name}/${one}`) : [name],
  );

/** Files that the server reads, relative to the folder of the program. */
async function filesOfServer(build: string): Promise<Set<string>> {
  const files = new Set<string>();
  const notServed = /^(cache|diagnostics|types|trace|dev|build$|used-by-)/;
  for (const name of readdirSync(build)) {
    const path = join(build, name);
    if (notServed.test(name) || name === 'node_modules') continue;
    for (const file of lstatSync(path).isDirectory() ? filesIn(path) : [path])
      if (!/\.(map|nft\.json)$/.test(file)) files.add(relative(root, file));
  }
  // Packages that routes ask for go by names of the build's own, which lead to those of the program.
  for (const file of existsSync(join(build, 'node_modules')) ? filesIn(join(build, 'node_modules')) : [])
    files.add(relative(root, file));
  for (const list of [...filesIn(build)].filter((file) => file.endsWith('.nft.json')))
    for (const file of (JSON.parse(readFileSync(list, 'utf8')) as { files: string[] }).files) {
      const path = relative(root, join(dirname(list), file));
      if (path.startsWith('node_modules/')) files.add(path);
    }
  const parts = [...filesIn(partsFolder(build))].filter((file) => file.endsWith('.mjs'));
  const { fileList } = await nodeFileTrace(parts, {
    base: root,
    ignore: [...NOT_SHIPPED, `${FRAMEWORK}/**`],
    // Imports alone: paths that are put together at run time lead it through the whole folder.
    analysis: { emitGlobs: false, computeFileReferences: false, evaluatePureExpressions: false },
  });
  for (const file of fileList) files.add(file);
  for (const file of filesIn(join(root, FRAMEWORK))) {
    const path = relative(join(root, FRAMEWORK), file);
    if (FRAMEWORK_PARTS.test(path) && !FOR_DEVELOPING.test(path)) files.add(relative(root, file));
  }
  for (const name of installed())
    if (WHOLE.some((one) => one.test(name)))
      for (const file of filesIn(join(root, 'node_modules', name))) files.add(relative(root, file));
  return files;
}

const COMMAND = (build: string, name: string): string => `#!/bin/sh
root=$(CDPATH= cd -- "$(dirname -- "$0")/.." && pwd)
exec node "$root/${build}/parts/${name}.mjs" "$@"
`;

async function main(): Promise<string> {
  if (!ensureBuild(true)) throw new Error('The build failed.');
  const build = buildFolder();
  const name = relative(root, build);
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { version: string };
  const title = `good-shelf-${version}-${process.platform}-${process.arch}`;
  const out = join(root, '.data/release');
  const folder = join(out, title);
  rmSync(folder, { recursive: true, force: true });
  const put = (file: string, text: string) => {
    mkdirSync(dirname(join(folder, file)), { recursive: true });
    writeFileSync(join(folder, file), text);
  };
  const files = await filesOfServer(build);
  for (const file of files) {
    const [from, to] = [join(root, file), join(folder, file)];
    mkdirSync(dirname(to), { recursive: true });
    const kind = lstatSync(from);
    if (kind.isSymbolicLink()) cpSync(from, to, { verbatimSymlinks: true });
    else if (kind.isFile()) copyFileSync(from, to);
  }
  for (const beside of BESIDE) cpSync(join(root, beside), join(folder, beside), { recursive: true });
  put(RELEASE_FILE, JSON.stringify({ version, build: name } satisfies Release));
  put('package.json', JSON.stringify({ name: 'good-shelf', version, private: true, type: 'module' }));
  const packages = new Set([...files].flatMap((file) => /^node_modules\/((?:@[^/]+\/)?[^/]+)\//.exec(file)?.[1] ?? []));
  put('LICENCES.txt', licences([...packages].sort()));
  for (const command of RELEASED) {
    put(`bin/${command}`, COMMAND(name, command));
    chmodSync(join(folder, 'bin', command), 0o755);
  }
  const archive = join(out, `${title}.tar.gz`);
  const packed = spawnSync('tar', ['-czf', archive, '-C', out, title], { stdio: 'inherit' });
  if (packed.status !== 0) throw new Error('The archive could not be written.');
  rmSync(folder, { recursive: true, force: true });
  const bytes = readFileSync(archive);
  writeFileSync(`${archive}.sha256`, `${createHash('sha256').update(bytes).digest('hex')}  ${title}.tar.gz\n`);
  say(
    `${relative(root, archive)}: ${Math.round(bytes.byteLength / 1024 / 1024)} MB, ${files.size} files, ${packages.size} packages`,
  );
  return archive;
}

await main();
