import { grouped } from '../text/counted';

/** What Intl knows as a currency; anything else is written behind the figure. */
const CODE = /^[A-Z]{3}$/;

/**
 * Money in the way of the region.
 * @param currency as the job names it; empty: none is said
 * @param locale in whose way it is written
 * @example formatMoney(1141.9, 'GBP', 'en-GB') // '£1,141.90'
 */
export function formatMoney(amount: number, currency: string, locale: string): string {
  if (CODE.test(currency)) return amount.toLocaleString(locale, { style: 'currency', currency });
  const [whole = '0', cents = '00'] = Math.abs(amount).toFixed(2).split('.');
  const figure = `${amount < 0 ? '−' : ''}${grouped(Number(whole))}.${cents}`;
  return currency === '' ? figure : `${figure} ${currency}`;
}
