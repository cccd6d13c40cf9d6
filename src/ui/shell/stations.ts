import type { ComponentType } from 'react';
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

/** What each station shows, and its screen, fetched when it is wanted. */
export const STATION_VIEWS: Record<StationId, StationViews & { load: () => Promise<ComponentType> }> = {
  survey: { ...survey, load: () => import('../survey/SurveyStation').then((module) => module.SurveyStation) },
  runs: { ...runs, load: () => import('../runs/RunsStation').then((module) => module.RunsStation) },
  stack: { ...stack, load: () => import('../stack/StackStation').then((module) => module.StackStation) },
  land: { ...land, load: () => import('../land/LandStation').then((module) => module.LandStation) },
  patch: { ...patch, load: () => import('../patch/PatchStation').then((module) => module.PatchStation) },
  build: { ...build, load: () => import('../build/BuildStation').then((module) => module.BuildStation) },
  prove: { ...prove, load: () => import('../prove/ProveStation').then((module) => module.ProveStation) },
  handover: {
    ...handover,
    load: () => import('../handover/HandoverStation').then((module) => module.HandoverStation),
  },
  power: { ...power, load: () => import('../power/PowerStation').then((module) => module.PowerStation) },
};
