import { useEffect, useRef } from 'react';

/** Bring an element into view when it becomes the selected one. */
export function useInView<T extends HTMLElement>(selected: boolean) {
  const element = useRef<T>(null);
  useEffect(() => {
    if (selected) element.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [selected]);
  return element;
}
