import { bendSource, bundleSource, mostInBundle, pullNewton, pullSource } from '../../base/standards/cableHandling';
import { consolidationLeastMm } from '../../base/standards/copperLengths';
import { CORD_KINDS, type CordKind, cordBuildSource, cordBuilds, cordHabits } from '../../base/standards/cords';
import { jacketMm, portsPerTie, untwistMm, untwistSource } from '../../base/standards/landing';
import { copperModule } from '../../base/standards/links';
import { fillShares, traySource, trunkingSource } from '../../base/standards/pathwayRules';
import { deviceLeastSource, deviceLeastV, poeFeed, poeFeedSource } from '../../base/standards/poeFeed';
import { practice } from '../../base/standards/practice';
import { frameWidths, rackDimensionsSource } from '../../base/standards/rackDimensions';
import { majorDiameterMm, screwThreadSource, THREADS, type Thread } from '../../base/standards/screwThreads';
import { pulling, pullingSource, slack, slackSource } from '../../base/standards/slack';
import { commonPractice, published } from '../../base/standards/source';
import type { Entry } from './entry';
import { figureOf, table } from './plainFigure';

const WIDTHS = Object.keys(frameWidths) as (keyof typeof frameWidths)[];

/** Figures and tables that are looked up and not reckoned. */
export const FIGURES: readonly Entry[] = [
  figureOf('pull-limit', 'Greatest pull on a 4-pair cable.', [pullNewton, 'N', 0], pullSource, 110),
  figureOf('bend-limit', 'Least bend of a laid 4-pair cable, times its diameter.', [4, '×', 0], bendSource, 4),
  figureOf('bundle-limit', 'Powered cables in one bundle at most.', [mostInBundle, 'cables', 0], bundleSource, 24),
  figureOf(
    'untwist',
    'Pairs untwisted at a jack at most, Cat 5e and up.',
    [untwistMm.category5eAndUp, 'mm', 0],
    untwistSource,
    13,
  ),
  figureOf('jacket-off', 'Jacket taken off at a jack at most.', [jacketMm.most, 'mm', 0], commonPractice, 50),
  figureOf(
    'consolidation-point',
    'A joint on the way stands at least so far from the panel.',
    [consolidationLeastMm / 1000, 'm', 0],
    published('ANSI/TIA-568.1: consolidation point'),
    15,
  ),
  figureOf('slack-at-the-cabinet', 'Slack left at the cabinet.', [slack.cabinetMm / 1000, 'm', 1], slackSource, 3),
  figureOf(
    'slack-at-the-outlet',
    'Slack of copper left at an outlet.',
    [slack.outletCopperMm / 1000, 'm', 1],
    slackSource,
    0.3,
  ),
  figureOf('service-loop', 'Service loop of a tail.', [pulling.serviceLoopMm, 'mm', 0], pullingSource, 500),
  figureOf(
    'reusable-rest',
    'Shortest rest of cable worth keeping.',
    [pulling.reusableMm / 1000, 'm', 0],
    pullingSource,
    15,
  ),
  figureOf('tray-fill', 'Fill that a tray is planned to.', [fillShares.tray.planned * 100, '%', 0], traySource, 25),
  figureOf('trunking-fill', 'Fill of trunking at most.', [fillShares.trunking * 100, '%', 0], trunkingSource, 45),
  figureOf(
    'nearly-full',
    'From so much on something counts as nearly full.',
    [practice.fullShare * 100, '%', 0],
    commonPractice,
    80,
  ),
  figureOf(
    'ports-a-tie',
    'Ports held by one tie on the strain-relief bar.',
    [portsPerTie, 'ports', 0],
    commonPractice,
    4,
  ),
  figureOf(
    'copper-module-heat',
    'Heat of a copper module in a fast port.',
    [copperModule.heatW, 'W', 1],
    commonPractice,
    2.5,
  ),
  figureOf(
    'manager-full',
    'A cord manager is full from so much of its room on.',
    [cordHabits.managerFull * 100, '%', 0],
    commonPractice,
    60,
  ),
  table(
    'cord-diameter',
    'Outside diameter of a cord, typical of its kind.',
    'Cord',
    CORD_KINDS,
    ['mm', 1],
    (kind: CordKind) => cordBuilds[kind].diameterMm,
    cordBuildSource,
    ['standard', 5.8],
  ),
  table(
    'port-volts',
    'Lowest voltage at the port, by class of the device.',
    'Class',
    ['3', '4', '6', '8'],
    ['V', 0],
    (of) => poeFeed.find(({ upToClass }) => Number(of) <= upToClass)?.leastV ?? null,
    poeFeedSource,
    ['4', 50],
  ),
  table(
    'device-volts',
    'Lowest voltage that a device must work on, by its class.',
    'Class',
    ['1', '2', '3', '4', '5', '6', '7', '8'],
    ['V', 1],
    (of) => deviceLeastV[Number(of)] ?? null,
    deviceLeastSource(5),
    ['4', 42.5],
  ),
  table(
    'screw-diameter',
    'Outside of the thread of a rack screw.',
    'Thread',
    THREADS,
    ['mm', 2],
    (thread: Thread) => majorDiameterMm[thread],
    screwThreadSource,
    ['10-32', 4.83],
  ),
  table(
    'panel-width',
    'Width of a panel.',
    'Frame',
    WIDTHS,
    ['mm', 1],
    (frame) => frameWidths[frame].panelMm,
    rackDimensionsSource,
    ['19-inch', 482.6],
  ),
];
