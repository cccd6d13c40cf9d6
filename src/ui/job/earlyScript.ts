/** Where a browser keeps who does things in it. */
export const ACTOR_KEY = 'good-shelf-actor';

/**
 * A line of script for the head of a job's page: it asks for the job while the rest of the page is still on its way.
 * @param jobId checked by the server: letters, digits, - and _
 */
export const earlyScript = (jobId: string): string =>
  `try{const a=JSON.parse(localStorage.getItem('${ACTOR_KEY}')||'null');if(a){const url='/api/jobs/${jobId}?actor='+encodeURIComponent(a.id);globalThis.goodShelfEarly={url,answer:fetch(url)};globalThis.goodShelfEarly.answer.catch(()=>{})}}catch{}`;
