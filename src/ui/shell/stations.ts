import type { StationId } from '@/core/job/records/stationIds';
import { build } from '../build/station';
import { handover } from '../handover/station';
import type { StationViews } from '../kit/stationViews';
import { land } from '../land/station';
import { patch } from '../patch/station';
import { power } from '../power/station';
import { prove } from '../prove/station';
import { runs } from '../runs/station';
import { stack } from '../stack/station';
import { survey } from '../survey/station';

/** What each station shows. */
export const STATION_VIEWS: Record<StationId, StationViews> = {
  survey,
  runs,
  stack,
  land,
  patch,
  build,
  prove,
  handover,
  power,
};
