import { create } from 'zustand';

/** Who waits for the password to be given again; it is called with whether it was. */
type Waiting = { settle: ((given: boolean) => void) | null };

/** What waits for one's password on this page, asked by the `ProofSheet` of its page. */
export const useProof = create<Waiting>()(() => ({ settle: null }));

/** Have the password asked for. @returns whether it was given */
export const askForProof = (): Promise<boolean> =>
  new Promise((done) =>
    useProof.setState({
      settle: (given) => {
        useProof.setState({ settle: null });
        done(given);
      },
    }),
  );
