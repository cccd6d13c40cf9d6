let resolve: () => void = () => undefined;

/** Once the first screen of the page is there, or is known not to come: what is not needed for it is fetched from then on. */
export const screenDrawn = new Promise<void>((done) => {
  resolve = done;
});
export const sayDrawn = (): void => resolve();
