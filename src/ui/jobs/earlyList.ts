/** Where the list of jobs is asked for. @param query as the address of the page has it, without its ? */
export const listAddress = (query: string): string => `/api/jobs${query === '' ? '' : `?${query}`}`;

/** A line of script for the head of the list: it asks for the jobs while the rest of the page is still on its way. */
export const EARLY_LIST = `{const q=new URLSearchParams(location.search).toString(),url='/api/jobs'+(q&&'?'+q);globalThis.goodShelfEarly={url,answer:fetch(url)};globalThis.goodShelfEarly.answer.catch(()=>{})}`;
