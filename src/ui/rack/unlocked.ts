import { createContext } from 'react';

/** Whether what is pressed at the rack is written. */
export const Unlocked = createContext(false);
