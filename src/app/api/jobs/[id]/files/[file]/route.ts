import { refuse } from '@/core/base/text/refusal';
import {
  kindOfTakeaway,
  TAKEAWAY_TYPES,
  TAKEAWAY_WORDS,
  type TakeawayId,
  takeawayFileName,
  takeawayOf,
} from '@/core/exchange/formats/takeaways';
import { cutoverOf } from '@/core/trade/build/buildPlan';
import { beside } from '@/server/beside';
import { route } from '@/server/door';
import { readKept } from '@/server/jobs';
import { noJob } from '@/server/noJob';
import { jobAtRevision } from '@/server/pastJobs';
import { takeAway } from '@/server/takeAway';

export const GET = route<{ id: string; file: string }>('read', async ({ store, request, params: { id, file } }) => {
  if (!takeawayOf(file)) return refuse('no-file', `There is no such thing to take away as ${file}.`);
  const { job, point } = (await readKept(store, id)) ?? noJob();
  const address = new URL(request.url);
  // The host as the browser knows it: what a code on paper leads to must be reachable from a phone.
  address.host = request.headers.get('host') ?? address.host;
  if (process.env.SHELF_SCHEME === 'https') address.protocol = 'https:';
  const { searchParams, origin } = address;
  const given = TAKEAWAY_WORDS.flatMap((word) => {
    const value = searchParams.get(word);
    return value === null || word === 'codeFor' ? [] : [[word, value]];
  });
  if (searchParams.get('code') === '1') given.push(['codeFor', `${origin}/jobs/${id}/runs?trace=`]);
  const { station } = takeawayOf(file) ?? { station: null };
  const from = station === 'build' ? cutoverOf(job).todayRevision : null;
  const body = await takeAway(file as TakeawayId, job, `${point.history} ${point.revision}`, {
    words: Object.fromEntries(given),
    today: from === null ? null : await jobAtRevision(store, id, from),
    ...(await beside(store, job, point.revision, file, `${origin}/jobs/${id}`)),
  });
  const shown = searchParams.get('as') === 'inline' ? 'inline' : 'attachment';
  // A spreadsheet takes letters with accents for what they are only behind this mark.
  const marked = kindOfTakeaway(file) === 'csv' ? `\uFEFF${body}` : body;
  return new Response(marked as BodyInit, {
    headers: {
      'content-type': TAKEAWAY_TYPES[kindOfTakeaway(file)],
      'content-disposition': `${shown}; filename="${takeawayFileName(job.name, file)}"`,
    },
  });
});
