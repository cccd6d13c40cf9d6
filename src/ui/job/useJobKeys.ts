import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { STATIONS } from '@/core/stations';
import type { SessionStore } from './session';

const inField = (target: EventTarget | null): boolean =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** Keys that work at every station. Inside a field they belong to the field. */
export function useJobKeys(session: SessionStore, jobId: string, open: { find: () => void; keys: () => void }) {
  const router = useRouter();
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.defaultPrevented || inField(event.target)) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      const act = (work: () => void) => {
        event.preventDefault();
        work();
      };
      const { reverse, steps } = session.getState();
      if (command && key === 'z')
        act(() => (event.shiftKey ? steps.redo && reverse('redo') : steps.undo && reverse('undo')));
      else if (command && key === 'y') act(() => steps.redo && reverse('redo'));
      else if (command || event.altKey) return;
      else if (key === '/') act(open.find);
      else if (key === '?') act(open.keys);
      else {
        const station = STATIONS[Number(key) - 1];
        if (station) act(() => router.push(`/jobs/${jobId}/${station}`));
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
