import { AsyncLocalStorage } from 'node:async_hooks';

// On the global object, since routes may be bundled apart.
const home = globalThis as typeof globalThis & { goodShelfAsks?: AsyncLocalStorage<string> };
home.goodShelfAsks ??= new AsyncLocalStorage();
const asks = home.goodShelfAsks;

/** Do something in the name of one who asks. @param who an account, a link, or an address */
export const asking = <T>(who: string, work: () => T): T => asks.run(who, work);
/** Who asks for what is being done; empty where nobody does. */
export const whoAsks = (): string => asks.getStore() ?? '';
