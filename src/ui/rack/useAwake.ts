import { useEffect } from 'react';

/** Keep the screen on while one works; a browser that cannot lets it go dark. */
export function useAwake(working: boolean): void {
  useEffect(() => {
    if (!working || !('wakeLock' in navigator)) return;
    let lock: WakeLockSentinel | null = null;
    let over = false;
    const hold = () => {
      if (document.visibilityState !== 'visible') return;
      navigator.wakeLock.request('screen').then(
        (held) => {
          lock = held;
          if (over) void held.release();
        },
        () => undefined,
      );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      over = true;
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [working]);
}
