/**
 * Script for the head of a page, which asks for what the page will want while the rest of it is still on its way.
 * @param address an expression of the script
 */
export const earlyAsk = (address: string): string =>
  `{const url=${address};globalThis.goodShelfEarly={url,answer:fetch(url)};globalThis.goodShelfEarly.answer.catch(()=>{})}`;
