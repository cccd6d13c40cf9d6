import { grouped } from '../text/counted';

/** `1,141.90 EUR`. @param currency as the job names it; empty: none is said */
export function formatMoney(amount: number, currency: string): string {
  const [whole = '0', cents = '00'] = Math.abs(amount).toFixed(2).split('.');
  const figure = `${amount < 0 ? '−' : ''}${grouped(Number(whole))}.${cents}`;
  return currency === '' ? figure : `${figure} ${currency}`;
}
