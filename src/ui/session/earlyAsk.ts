/** Where a browser keeps the name that changes are made under. */
export const ACTOR_KEY = 'good-shelf-actor';

/** Address of the list of jobs. @param query as the address of the page has it, without its ? */
export const listAddress = (query: string): string => `/api/jobs${query === '' ? '' : `?${query}`}`;

/**
 * Script for the head of every page: it asks for the list or the job that the page will show, while the rest of the page is
 * still on its way. `earlyAnswer` gives the answer.
 */
export const EARLY_ASK = `{
const ask=(url)=>{globalThis.goodShelfEarly={url,answer:fetch(url)};globalThis.goodShelfEarly.answer.catch(()=>{})};
const path=location.pathname,query=location.search.slice(1),job=/^\\/jobs\\/([\\w-]+)(?:\\/(?!rack(?:\\/|$))|$)/.exec(path);
if(path==='/')ask('/api/jobs'+(query&&'?'+new URLSearchParams(query)));
else if(job)try{const a=JSON.parse(localStorage.getItem('${ACTOR_KEY}')||'null');if(a)ask('/api/jobs/'+job[1]+'?actor='+encodeURIComponent(a.id))}catch{}
}`;

type Early = { url: string; answer: Promise<Response> };
const home = globalThis as typeof globalThis & { goodShelfEarly?: Early | undefined };

/** The answer to this address where it was asked for early; it is given once. */
export function earlyAnswer(url: string): Promise<Response> | null {
  const early = home.goodShelfEarly;
  home.goodShelfEarly = undefined;
  return early?.url === url ? early.answer : null;
}
