import { escapeXml } from '@/core/base/text/escapeXml';
import { Refusal } from '@/core/base/text/refusal';
import { readBody, statusOf } from '@/server/answer';
import { type Asked, route, withAccounts } from '@/server/door';
import { addressOf } from '@/server/limits';
import { showLink, workByLink } from '@/server/linkDesk';
import { linkOf } from '@/server/shares';

/** A form of one field and a note. */
const MOST_FORM = 4_000;
const MOST_FIND = 80;

const page = (html: string, status = 200): Response =>
  new Response(html, { status, headers: { 'content-type': 'text/html; charset=utf-8' } });

/** What cannot be shown, on a page of its own: whoever holds a link reads no JSON. */
async function asPage(work: () => Promise<Response>): Promise<Response> {
  try {
    return await work();
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    const html = `<!doctype html><html lang="en"><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>Good Shelf</title><h1>This cannot be shown</h1><p>${escapeXml(fault.message)}</p></html>`;
    return page(html, statusOf(fault));
  }
}

type Params = { token: string };
const holderOf = ({ store, request, params }: Asked<Params>) => linkOf(store, params.token, addressOf(request));

/** The link itself says who comes, and is asked anew each time. */
export const GET = route<Params>('open', (asked) =>
  asPage(async () => {
    if (!withAccounts()) return page('', 404);
    const words = new URL(asked.request.url).searchParams;
    const find = (words.get('find') ?? '').slice(0, MOST_FIND);
    return page(await showLink(asked.store, await holderOf(asked), find, (words.get('said') ?? '').slice(0, 200)));
  }),
);

export const POST = route<Params>('open', (asked) =>
  asPage(async () => {
    if (!withAccounts()) return page('', 404);
    const holder = await holderOf(asked);
    const form = new URLSearchParams(await readBody(asked.request, MOST_FORM));
    const said = await workByLink(asked.store, holder, form);
    // Loading it anew does not do it again.
    const to = new URLSearchParams({ said, find: (form.get('find') ?? '').slice(0, MOST_FIND) });
    return new Response(null, { status: 303, headers: { location: `/l/${asked.params.token}?${to}` } });
  }),
);
