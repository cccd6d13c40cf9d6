import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { pathToFileURL } from 'node:url';
import { z } from 'zod';
import { FaultAnswer } from '../src/core/exchange/wire/faultAnswer';
import { Created, ListAnswer, RemovedAnswer, TakenIn } from '../src/core/exchange/wire/jobList';
import { HistoryAnswer, JobAtAnswer, OpenJob, Outcome, VersionsAnswer } from '../src/core/exchange/wire/wire';

const APP = 'src/app';

/** What is answered with success, where both ends hold a schema of it. Others answer with what their use case returns. */
const ANSWERS: Readonly<Record<string, z.ZodType>> = {
  'GET /api/jobs': ListAnswer,
  'POST /api/jobs': Created,
  'POST /api/jobs/file': TakenIn,
  'GET /api/jobs/{id}': OpenJob,
  'GET /api/jobs/{id}/changes': Outcome,
  'POST /api/jobs/{id}/batches': Outcome,
  'POST /api/jobs/{id}/reversals': Outcome,
  'POST /api/jobs/{id}/copy': Created,
  'POST /api/jobs/{id}/removed': RemovedAnswer,
  'GET /api/jobs/{id}/history': HistoryAnswer,
  'GET /api/jobs/{id}/versions': VersionsAnswer,
  'POST /api/jobs/{id}/versions': VersionsAnswer,
  'GET /api/jobs/{id}/at/{revision}': JobAtAnswer,
};

function* routeFiles(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) yield* routeFiles(path);
    else if (entry.name === 'route.ts') yield path;
  }
}

/** Address of a route, as OpenAPI writes it. */
const addressOf = (file: string): string =>
  `/${relative(APP, file).replace(/\/?route\.ts$/, '')}`.replace(/\[(\w+)\]/g, '{$1}');

/** One way of asking a route: by which action it is allowed, and which schema its body has. */
type Way = { method: string; action: string; body: string | null };

/** The ways that a route's file exports, as it is written. */
function waysIn(text: string): Way[] {
  const heads = [...text.matchAll(/export const (GET|POST|DELETE) = route(?:<.*?>)?\(\s*'(\w+)'/gs)];
  return heads.map(({ 1: method = '', 2: action = '', index }, at) => {
    const own = text.slice(index, heads[at + 1]?.index);
    return { method, action, body: /readJson\(request, (\w+)/.exec(own)?.[1] ?? null };
  });
}

/** Schema of that name, from the module that the route imports it from. */
async function schemaOf(text: string, name: string): Promise<z.ZodType> {
  const from = new RegExp(`import \\{[^}]*\\b${name}\\b[^}]*\\} from '@/([^']+)'`).exec(text)?.[1];
  if (!from) throw new Error(`${name} is not imported from the core.`);
  return ((await import(pathToFileURL(join('src', `${from}.ts`)).href)) as Record<string, z.ZodType>)[
    name
  ] as z.ZodType;
}

const inJson = (schema: z.ZodType, io: 'input' | 'output') => ({
  'application/json': { schema: z.toJSONSchema(schema, { io, unrepresentable: 'any', target: 'openapi-3.0' }) },
});

/** The HTTP interface as OpenAPI 3.0, made from the routes and the schemas that both ends check. */
export async function api(version: string): Promise<object> {
  const paths: Record<string, Record<string, object>> = {};
  for (const file of [...routeFiles(APP)].sort()) {
    const text = readFileSync(file, 'utf8');
    const path = addressOf(file);
    // Pages for those who hold a link, and the service worker, are for browsers.
    if (!/^\/(api|schema)\//.test(path)) continue;
    const parameters = [...path.matchAll(/\{(\w+)\}/g)].map(([, name]) => ({
      name,
      in: 'path',
      required: true,
      schema: { type: 'string' },
    }));
    for (const { method, action, body } of waysIn(text)) {
      const answer = ANSWERS[`${method} ${path}`];
      paths[path] = {
        ...paths[path],
        [method.toLowerCase()]: {
          summary: `Permission needed: ${action}.`,
          ...(parameters.length > 0 ? { parameters } : {}),
          ...(body ? { requestBody: { required: true, content: inJson(await schemaOf(text, body), 'input') } } : {}),
          responses: {
            200: { description: 'Done', ...(answer ? { content: inJson(answer, 'output') } : {}) },
            default: { $ref: '#/components/responses/Refused' },
          },
        },
      };
    }
  }
  return {
    openapi: '3.0.3',
    info: {
      title: 'Good Shelf',
      version,
      description:
        'For the browser of the same site: a session cookie says who asks, and requests that change something are refused when they come from another site. 429 and 503 come with Retry-After.',
    },
    paths,
    components: {
      responses: { Refused: { description: 'Refused, with the reason', content: inJson(FaultAnswer, 'output') } },
    },
  };
}

/** As it is kept in docs/. */
export async function apiText(): Promise<string> {
  const { version } = JSON.parse(readFileSync('package.json', 'utf8')) as { version: string };
  return `${JSON.stringify(await api(version), null, 1)}\n`;
}

if (process.argv[1]?.endsWith('api.ts')) writeFileSync('docs/openapi.json', await apiText());
