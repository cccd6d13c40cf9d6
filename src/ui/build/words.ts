import type { Dark } from '@/core/trade/build/stages';

/** `Cameras 25 %, Internet`. */
export const darkList = (dark: readonly Dark[]): string =>
  dark.map(({ service, share }) => (share < 0.995 ? `${service} ${Math.round(share * 100)} %` : service)).join(', ');

export const oneDigit = (minutes: number): string => (minutes < 9.95 ? minutes.toFixed(1) : minutes.toFixed(0));
