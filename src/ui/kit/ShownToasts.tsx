import { useEffect } from 'react';
import { Toaster, toast } from 'sonner';
import { useStore } from 'zustand';
import { said } from '../session/toast';

/** What is said in passing, each for its time. */
export default function ShownToasts() {
  const waiting = useStore(said);
  useEffect(() => {
    if (waiting.length === 0) return;
    for (const { tone, words, options } of waiting) (tone === 'plain' ? toast : toast[tone])(words, options);
    said.setState([], true);
  }, [waiting]);
  return (
    <Toaster
      position="top-center"
      toastOptions={{
        style: {
          background: 'var(--sheet)',
          color: 'var(--ink)',
          border: '1px solid var(--strong-rule)',
          borderRadius: 4,
        },
      }}
    />
  );
}
