import { useEffect, useState } from 'react';
import { FindsElsewhere } from '@/core/exchange/wire/kept';
import type { Finds } from '@/core/trade/testing/odds';
import { askServer } from '../session/wireClient';

/** Faults found in other jobs, which teach the odds; none until they were read, or without a network. */
export function useFinds(jobId: string): Finds {
  const [finds, setFinds] = useState<Finds>({});
  useEffect(() => {
    let current = true;
    askServer(`/api/jobs/${jobId}/finds`, FindsElsewhere).then(
      (read) => current && setFinds(read as Finds),
      () => {},
    );
    return () => {
      current = false;
    };
  }, [jobId]);
  return finds;
}
