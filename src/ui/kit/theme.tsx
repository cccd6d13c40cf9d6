'use client';

import { Flashlight, Sun } from 'lucide-react';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Button } from './Button';

const KEY = 'good-shelf-theme';

/** Runs before the first paint, so that the dark theme does not flash. */
export const themeScript = `try{if(localStorage.getItem('${KEY}')==='closet')document.documentElement.dataset.theme='closet'}catch{}`;

const watchTheme = (changed: () => void) => {
  const observer = new MutationObserver(changed);
  observer.observe(document.documentElement, { attributeFilter: ['data-theme'] });
  return () => observer.disconnect();
};

/** The theme in use, for drawings that take their colours once. */
export const useThemeName = (): string =>
  useSyncExternalStore(
    watchTheme,
    () => document.documentElement.dataset.theme ?? 'daylight',
    () => 'daylight',
  );

/** Daylight, or closet light: dark and low in blue. */
export function ThemeButton() {
  const [closet, setCloset] = useState(false);
  useEffect(() => setCloset(document.documentElement.dataset.theme === 'closet'), []);
  const turn = () => {
    const next = !closet;
    setCloset(next);
    if (next) document.documentElement.dataset.theme = 'closet';
    else delete document.documentElement.dataset.theme;
    localStorage.setItem(KEY, next ? 'closet' : 'daylight');
  };
  return (
    <Button
      look="quiet"
      aria-pressed={closet}
      onClick={turn}
      title={closet ? 'Daylight' : 'Closet light'}
      aria-label="Closet light"
    >
      {closet ? <Sun size={17} aria-hidden /> : <Flashlight size={17} aria-hidden />}
    </Button>
  );
}
