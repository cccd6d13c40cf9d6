'use client';

import { Flashlight, Sun } from 'lucide-react';
import { useSyncExternalStore } from 'react';
import { Button } from './Button';
import { THEME_KEY } from './themeScript';

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

/** Turn from daylight to closet light, and back. */
export function turnTheme(): void {
  const next = document.documentElement.dataset.theme !== 'closet';
  if (next) document.documentElement.dataset.theme = 'closet';
  else delete document.documentElement.dataset.theme;
  try {
    localStorage.setItem(THEME_KEY, next ? 'closet' : 'daylight');
  } catch {
    // Where the browser keeps nothing it holds for this page.
  }
}

/** Daylight, or closet light: dark and low in blue. */
export function ThemeButton() {
  const closet = useThemeName() === 'closet';
  return (
    <Button
      look="quiet"
      aria-pressed={closet}
      onClick={turnTheme}
      title={closet ? 'Daylight' : 'Closet light'}
      aria-label="Closet light"
    >
      {closet ? <Sun size={17} aria-hidden /> : <Flashlight size={17} aria-hidden />}
    </Button>
  );
}
