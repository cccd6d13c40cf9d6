import { atLeastShort } from '@/core/base/units/atLeast';
import { formatMass } from '@/core/base/units/force';
import { formatSize, type Units } from '@/core/base/units/length';
import type { ElevationItem } from '@/core/job/rack/elevation';

export const OVERLAYS = [
  { value: 'none', words: 'no figures' },
  { value: 'mass', words: 'weight' },
  { value: 'heat', words: 'heat' },
  { value: 'depth', words: 'depth' },
] as const;
export type Overlay = (typeof OVERLAYS)[number]['value'];

/** The figure laid over a device, and how strong it is among the others. */
export function overlayOf(overlay: Overlay, item: ElevationItem, items: readonly ElevationItem[], units: Units) {
  if (overlay === 'none') return { tint: null, note: null };
  const value = (one: ElevationItem) =>
    overlay === 'mass'
      ? one.massKg.sum
      : overlay === 'heat'
        ? (one.heatW ?? 0)
        : one.plugFrontMm + one.depthMm + one.plugRearMm;
  const most = Math.max(1, ...items.map(value));
  const own = value(item);
  const note =
    overlay === 'mass'
      ? atLeastShort(item.massKg, (kg) => formatMass(kg, units))
      : overlay === 'heat'
        ? item.heatW === null
          ? '? W'
          : `${Math.round(item.heatW)} W`
        : formatSize(Math.round(own), units);
  const colour = overlay === 'heat' ? 'var(--wont)' : overlay === 'mass' ? 'var(--net-blue)' : 'var(--net-teal)';
  const share = Math.round((own / most) * 45);
  return { tint: share === 0 ? null : `color-mix(in srgb, ${colour} ${share}%, var(--face))`, note };
}
