let resolve: () => void = () => undefined;

/** Once the first screen of the page is there, or is known not to come: what is not needed for it is fetched from then on. */
export const screenDrawn = new Promise<void>((done) => {
  resolve = done;
});
export const sayDrawn = (): void => resolve();

/** A hidden tab draws nothing, so drawing is not waited for longer than this. */
const OUT_OF_VIEW_MS = 1000;

/** Resolve `screenDrawn` after the next frame. */
export function sayOnceDrawn(): void {
  requestAnimationFrame(() => setTimeout(sayDrawn));
  setTimeout(sayDrawn, OUT_OF_VIEW_MS);
}
