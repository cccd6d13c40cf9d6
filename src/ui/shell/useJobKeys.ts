import { useEffect } from 'react';
import { STATIONS } from '@/core/job/records/stationIds';
import { goInJob } from '../kit/jobPath';
import type { SessionStore } from '../session/session';
import { singleKeysOn } from './singleKeys';

/** Where keys belong to what has the focus: fields, dialogs and menus. */
const OTHERS = 'input, textarea, select, [contenteditable="true"], [role="dialog"], [role="menu"], [role="listbox"]';
const elsewhere = (target: EventTarget | null): boolean => target instanceof Element && target.closest(OTHERS) !== null;

/** Keys that work at every station. */
export function useJobKeys(session: SessionStore, open: { find: () => void; keys: () => void }) {
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.defaultPrevented || elsewhere(event.target)) return;
      const command = event.ctrlKey || event.metaKey;
      const key = event.key.toLowerCase();
      const act = (work: () => void) => {
        event.preventDefault();
        work();
      };
      const { reverse, reversals, base } = session.getState();
      if (command && key === 'z')
        act(() => (event.shiftKey ? reversals.redo && reverse('redo') : reversals.undo && reverse('undo')));
      else if (command && key === 'y') act(() => reversals.redo && reverse('redo'));
      else if (command || event.altKey || !singleKeysOn()) return;
      else if (key === '/') act(open.find);
      else if (key === '?') act(open.keys);
      else {
        const station = STATIONS[Number(key) - 1];
        if (station) act(() => goInJob(`${base}/${station}`));
      }
    };
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  });
}
