import { useParams } from 'next/navigation';
import type { View } from './ViewTabs';

/** Which view of a station the address names; the first where it names none. */
export function useView(views: readonly View[]): string {
  const { view } = useParams<{ view?: string[] }>();
  return views.find(({ id }) => id === view?.[0])?.id ?? views[0]?.id ?? '';
}
