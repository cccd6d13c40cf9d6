type Early = { url: string; answer: Promise<Response> };
const home = globalThis as typeof globalThis & { goodShelfEarly?: Early | undefined };

/** The answer to this address where it was asked for early; it is given once. */
export function earlyAnswer(url: string): Promise<Response> | null {
  const early = home.goodShelfEarly;
  home.goodShelfEarly = undefined;
  return early?.url === url ? early.answer : null;
}
