import type { Action } from './can';
import { enter } from './door';

/** Pages that hold nothing of anybody, so that one that was made is given to all who may see it. */
export const SHELLS: ReadonlyMap<string, Action> = new Map([['/', 'list']]);

/** Whether somebody may see a page that is kept; who may not is led elsewhere by the page itself. */
export const mayHaveShell = (path: string, cookie: string | null): Promise<boolean> => {
  const action = SHELLS.get(path);
  return action === undefined
    ? Promise.resolve(false)
    : enter(action, cookie, null).then(
        () => true,
        () => false,
      );
};
