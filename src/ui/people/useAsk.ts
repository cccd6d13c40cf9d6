import { useState, useSyncExternalStore } from 'react';
import type { z } from 'zod';
import { CannotBeDone } from '../session/faults';
import { askServer } from '../session/wireClient';
import { askForProof } from './proof';

const never = () => () => undefined;
/** Whether the page answers yet. Before that a form would be sent by the browser itself, with what is typed in its address. */
const useAnswers = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  );

/** Ask the server for something that is done at once or not at all, and say what went wrong. */
export function useAsk(): {
  /** Nothing can be sent now. */
  busy: boolean;
  wrong: string | null;
  ask: <S extends z.ZodType>(
    url: string,
    schema: S,
    body?: unknown,
    method?: 'GET' | 'POST' | 'DELETE',
  ) => Promise<z.infer<S> | null>;
} {
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const answers = useAnswers();
  return {
    busy: busy || !answers,
    wrong,
    ask: async (url, schema, body, method = 'POST') => {
      setBusy(true);
      setWrong(null);
      try {
        const asking = { method, ...(body === undefined ? {} : { body }), longestMs: 30_000 };
        try {
          return await askServer(url, schema, asking);
        } catch (fault) {
          if (!(fault instanceof CannotBeDone) || fault.code !== 'prove') throw fault;
          return (await askForProof()) ? await askServer(url, schema, asking) : null;
        }
      } catch (fault) {
        setWrong((fault as Error).message);
        return null;
      } finally {
        setBusy(false);
      }
    },
  };
}
