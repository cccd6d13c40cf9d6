let resolve: () => void = () => undefined;

/** Once the first screen of the page is there, or is known not to come: what is not needed for it is fetched from then on. */
export const screenDrawn = new Promise<void>((done) => {
  resolve = done;
});
export const sayDrawn = (): void => resolve();

/** A page that is not in view draws nothing: so many milliseconds are waited for it. */
const OUT_OF_VIEW_MS = 1000;

/** Say so once what was just put into the page is drawn. */
export function sayOnceDrawn(): void {
  requestAnimationFrame(() => setTimeout(sayDrawn));
  setTimeout(sayDrawn, OUT_OF_VIEW_MS);
}
