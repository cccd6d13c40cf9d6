import { earlyAsk } from '../kit/earlyAsk';

/** Where a browser keeps who does things in it. */
export const ACTOR_KEY = 'good-shelf-actor';

/**
 * The line that asks for a job.
 * @param jobId checked by the server: letters, digits, - and _
 */
export const earlyScript = (jobId: string): string =>
  `try{const a=JSON.parse(localStorage.getItem('${ACTOR_KEY}')||'null');if(a)${earlyAsk(`'/api/jobs/${jobId}?actor='+encodeURIComponent(a.id)`)}}catch{}`;
