import { useEffect, useRef, useState } from 'react';
import { rackDimensions } from '@/core/base/standards/rackDimensions';

const LEAST = 0.36;
const MOST = 1.1;
/** Caption above a drawing, pixels. */
const MARGIN_Y = 34;

/** Pixels a millimetre, so that all drawings fit side by side into the area. @param extraPx unit numbers, gaps and padding */
export function useScale(units: number, widthMm: number, extraPx: number) {
  const area = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 980, height: 560 });
  useEffect(() => {
    const element = area.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const fit = Math.min((size.width - extraPx) / widthMm, (size.height - MARGIN_Y) / (units * rackDimensions.unitMm));
  return { area, scale: Math.max(LEAST, Math.min(MOST, fit)) };
}
