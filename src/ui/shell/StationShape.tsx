import type { StationState } from '@/core/findings/stations/stations';

/**
 * The shape of a station: an open ring, a half-filled one, a tick, a question mark where something is not judged, a
 * triangle with a count of warnings, a diamond with a count of what will not work, or a dash where it is not needed.
 */
export function StationShape({ state, snags }: Pick<StationState, 'state' | 'snags'>) {
  const ring = <circle cx="13" cy="13" r="8.5" fill="var(--sheet)" stroke="var(--ink)" strokeWidth="2.4" />;
  return (
    <svg width="26" height="26" aria-hidden="true" className="shrink-0">
      {state === 'untouched' && ring}
      {state === 'under way' && (
        <>
          {ring}
          <path d="M13 4.5a8.5 8.5 0 0 0 0 17z" fill="var(--ink)" />
        </>
      )}
      {state === 'settled' && (
        <>
          <circle cx="13" cy="13" r="9.5" fill="var(--good)" />
          <path d="M8.5 13.2l3.2 3.2 6-6.6" fill="none" stroke="var(--sheet)" strokeWidth="2.6" />
        </>
      )}
      {state === 'not needed' && <path d="M6 13h14" stroke="var(--soft)" strokeWidth="3" />}
      {state === 'not judged' && (
        <>
          {ring}
          <text x="13" y="17.5" textAnchor="middle" fontSize="12.5" fontWeight="800" fill="var(--ink)">
            ?
          </text>
        </>
      )}
      {state === 'warnings' && (
        <>
          <path d="M13 2l12 21.5H1z" fill="var(--bite)" />
          <text x="13" y="20.5" textAnchor="middle" fontSize="12" fontWeight="800" fill="var(--sheet)">
            {snags > 9 ? '9+' : snags}
          </text>
        </>
      )}
      {state === 'snags' && (
        <>
          <path d="M13 1l12 12-12 12L1 13z" fill="var(--wont)" />
          <text x="13" y="17.5" textAnchor="middle" fontSize="12.5" fontWeight="800" fill="var(--sheet)">
            {snags > 9 ? '9+' : snags}
          </text>
        </>
      )}
    </svg>
  );
}
