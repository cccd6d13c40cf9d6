import { permanentLinkSource } from '../../base/standards/copperLengths';
import { cableLimitSource, copperSource } from '../../base/standards/copperWire';
import { type CordGauge, cordDerating, mostCords } from '../../base/standards/cordDerating';
import { deviceLeastSource, poeFeedSource } from '../../base/standards/poeFeed';
import { published, type Source } from '../../base/standards/source';
import { temperatureDerating, temperatureSource } from '../../base/standards/temperatureDerating';
import type { Reckoning } from '../../base/text/reckoning';
import { formatLength } from '../../base/units/length';
import { percent } from '../../base/units/percent';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import type { Run } from '../../job/records/run';
import { limitLoopOhm, loopOhm } from '../power/copperWire';
import { deviceWattsOf, takesPower } from '../power/poe';
import { runFeed } from '../power/poeFeed';
import { figureOf } from '../survey/answers/answers';
import { cableCategory } from './cableCategory';
import { cableKindOf } from './cableKinds';
import { channelOf } from './channelLength';
import { cordsAllowedMm, linkLimitMm, temperatureLoss } from './linkLimits';
import { routeOf, runLength } from './routeLength';

export type RunFact = { name: string; value: string; source?: Source; reckoning?: Reckoning };

const tenth = (mm: number) => Math.round(mm / 100) * 100;

/**
 * What is computed of one run: its way over the plan, its limits, and what arrives of the power it is sent.
 * @param celsius the warmest along its way
 */
export function runFacts(job: Job, run: Run, celsius: number = figureOf(job, 'route-c')): RunFact[] {
  const index = indexJob(job);
  const show = (mm: number) => formatLength(tenth(mm), job.units);
  const [length, route] = [runLength(job, run), routeOf(job, run)];
  const facts: RunFact[] = [];
  if (length?.from === 'measured')
    facts.push({ name: 'Length', value: `${formatLength(length.mm, job.units)}, measured` });
  if (route) {
    const parts = `${show(route.acrossMm)} across + ${show(route.verticalMm)} up and down + ${show(route.slackMm)} slack`;
    const where = route.outletPlaced ? '' : ', to the far corner of the room';
    facts.push({
      name: length?.from === 'measured' ? 'By the plan' : 'Length by the plan',
      value: `${show(route.totalMm)} = ${parts}${where}`,
    });
  }
  if (!length) facts.push({ name: 'Length', value: 'not known: measure it, or draw its room on the plan' });
  if (run.carries !== 'ethernet') return facts;
  const kind = cableKindOf(job, run.cable);
  const category = cableCategory(run.cable);
  const shield = kind?.screened ? 'screened' : 'unscreened';
  const limitMm = linkLimitMm(category, celsius, kind?.screened ?? false, run.speedMbps);
  facts.push({
    name: 'Limit of fixed cable',
    value: `${show(Math.floor(limitMm / 100) * 100)} at ${Math.round(celsius)} °C`,
    source: celsius > temperatureDerating.fromC ? temperatureSource : permanentLinkSource,
    ...(category
      ? {
          reckoning: {
            entry: 'link-limit',
            given: { category, celsius: Number(celsius.toFixed(2)), shield, mbps: run.speedMbps ?? 1000 },
          },
        }
      : {}),
  });
  const channel = channelOf(index.job, run);
  if (!channel) return facts;
  const gauge = figureOf(job, 'cord-awg') as CordGauge;
  const loss = temperatureLoss(celsius, kind?.screened ?? false);
  const byLength = cordsAllowedMm(channel.fixedMm, gauge, loss);
  const allowed = Math.max(0, Math.floor(byLength / 100) * 100);
  facts.push({
    name: `Cords of ${gauge} AWG, at most`,
    value: `${show(allowed)}; ${show(channel.cordsMm)} planned`,
    source: byLength < mostCords[gauge].mm ? cordDerating[gauge].source : mostCords[gauge].source,
    // The rule holds to 90 m.
    ...(channel.fixedMm >= 1000 && channel.fixedMm <= 90_000
      ? {
          reckoning: {
            entry: 'cords-allowed',
            given: { fixed: channel.fixedMm / 1000, gauge, celsius: Number(celsius.toFixed(2)), shield },
          },
        }
      : {}),
  });
  if (takesPower(run) && kind?.gaugeAwg) {
    const cordsOhm = loopOhm(channel.cordsMm, gauge, celsius);
    const typical = runFeed(deviceWattsOf(run), loopOhm(channel.fixedMm, kind.gaugeAwg, celsius) + cordsOhm);
    const loop = limitLoopOhm(channel.fixedMm, kind.gaugeAwg, celsius) + cordsOhm;
    const feed = runFeed(deviceWattsOf(run), loop);
    facts.push({
      name: 'Power at the far end',
      value:
        feed === null || feed === 'beyond'
          ? 'does not arrive'
          : `${feed.deviceV.toFixed(1)} V by the cable’s limit${typical && typical !== 'beyond' ? `, ${typical.deviceV.toFixed(1)} V typical` : ''} (class ${feed.class} needs ${feed.leastDeviceV} V), ${feed.lossW.toFixed(1)} W lost, ${percent(feed.lossShare)}, from ${feed.portV} V at the port`,
      ...(feed === null || feed === 'beyond'
        ? {}
        : {
            reckoning: {
              entry: 'voltage-at-device',
              given: { volts: feed.portV, loop: Number(loop.toFixed(3)), pairs: feed.pairs, watts: deviceWattsOf(run) },
            },
          }),
      source: published(
        `${feed === null || feed === 'beyond' ? poeFeedSource.title : deviceLeastSource(feed.class).title}; ${cableLimitSource.title}; ${copperSource.title}`,
      ),
    });
  }
  return facts;
}
