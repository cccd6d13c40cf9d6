/** Have the program kept in this browser, so that it opens without a network. */
export async function keepProgram(): Promise<void> {
  if (!('serviceWorker' in navigator)) return;
  try {
    await navigator.serviceWorker.register('/sw.js');
    // Once what opens these pages is here, the rest of the program follows: other stations, and the reader of labels.
    void navigator.serviceWorker.ready.then(({ active }) => active?.postMessage('keep the rest'));
    // Asked for quietly: without it a browser that runs out of room may drop what is kept.
    await navigator.storage?.persist?.();
  } catch {
    // An address that is neither secure nor loopback: it goes on with the network only.
  }
}
