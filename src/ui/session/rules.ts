/* The rules that judge a job, fetched by themselves: a screen is drawn before it is judged. */

export { findSnags, findUnjudged, judgeInParts } from '@/core/findings/snags/findSnags';
export { stationOf, stationStates } from '@/core/findings/stations/stations';
export { judgedOnDay } from '@/core/trade/power/cooling/upsFacts';
