import { useEffect, useRef, useState } from 'react';
import type { Rack } from '@/core/job/records/rack';
import { rackDimensions } from '@/core/standards/rackDimensions';

const LEAST = 0.42;
const MOST = 1.1;
/** Unit numbers, frame, gap and dimension lines, pixels. */
const MARGIN_X = 124;
const MARGIN_Y = 40;

/** Pixels a millimetre, so that front and side both fit into the area. */
export function useScale(rack: Rack) {
  const area = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState({ width: 800, height: 620 });
  useEffect(() => {
    const element = area.current;
    if (!element) return;
    const watch = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height });
    });
    watch.observe(element);
    return () => watch.disconnect();
  }, []);
  const widthMm = rackDimensions.panelWidthMm + rack.depthMm + (rack.frontClearanceMm ?? 0);
  const fit = Math.min(
    (size.width - MARGIN_X) / widthMm,
    (size.height - MARGIN_Y) / (rack.units * rackDimensions.unitMm),
  );
  return { area, scale: Math.max(LEAST, Math.min(MOST, fit)) };
}
