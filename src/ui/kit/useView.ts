import { useJobPath } from './jobPath';
import type { View } from './stationViews';

/** Which view of a station the address names; the first where it names none. */
export function useView(views: readonly View[]): string {
  const { view } = useJobPath();
  return views.find(({ id }) => id === view)?.id ?? views[0]?.id ?? '';
}
