import { earlyAsk } from '../kit/earlyAsk';

/** Where the list of jobs is asked for. @param query as the address of the page has it, without its ? */
export const listAddress = (query: string): string => `/api/jobs${query === '' ? '' : `?${query}`}`;

/** The line that asks for the list as the address of the page has it. */
export const EARLY_LIST = `{const q=new URLSearchParams(location.search).toString();${earlyAsk("'/api/jobs'+(q&&'?'+q)")}}`;
