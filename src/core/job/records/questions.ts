import { z } from 'zod';
import { buildMinutes } from '../../base/standards/buildMinutes';
import { crankSource } from '../../base/standards/generators';
import { FIRE_CLASSES, type RuleSet } from '../../base/standards/ruleSets';
import { outletCordSource, pulling, slack, slackSource } from '../../base/standards/slack';
import { commonPractice, type Source } from '../../base/standards/source';
import { readLengths } from '../../base/units/lengthList';

export const QUESTION_GROUPS = [
  'Building',
  'Cabinet place',
  'Internet and mains',
  'Mains out',
  'Heat and noise',
  'Growth',
  'Runs an outlet',
  'Lengths',
  'Buying and pulling',
  'Labels',
  'What things cost',
  'Minutes of the build',
  'Arranging',
  'Landing',
  'Patching and cords',
  'Proving',
  'Handing over',
] as const;
export type QuestionGroup = (typeof QUESTION_GROUPS)[number];

type Common = {
  group: QuestionGroup;
  words: string;
  /** What the answer does: to a computation, to a caution, or to the record only. */
  changes: 'a computation' | 'a caution' | 'the record';
  /** In words: what becomes different by it. */
  whatFor: string;
  /** Where the default comes from. */
  source?: Source;
  /** Asked only where jackets are classed so. */
  under?: readonly RuleSet['jackets'][];
};
export type ChoiceQuestion = Common & {
  kind: 'choice';
  initial: string;
  options: readonly { value: string; words: string }[];
};
/** `length`: millimetres, shown and typed in the job's units. */
export type NumberQuestion = Common & {
  kind: 'number' | 'length';
  initial: number;
  least: number;
  most: number;
  unit: string;
};
export type WordsQuestion = Common & {
  kind: 'words';
  initial: string;
  /** What is wrong with an answer, or null. */
  check?: (text: string) => string | null;
};
export type Question = ChoiceQuestion | NumberQuestion | WordsQuestion;

const choice = (
  group: QuestionGroup,
  words: string,
  options: Record<string, string>,
  initial: string,
  changes: Common['changes'],
  whatFor: string,
): ChoiceQuestion => ({
  kind: 'choice',
  group,
  words,
  options: Object.entries(options).map(([value, text]) => ({ value, words: text })),
  initial,
  changes,
  whatFor,
});
const number = (
  group: QuestionGroup,
  words: string,
  unit: string,
  [initial, least, most]: [number, number, number],
  whatFor: string,
  source: Source = commonPractice,
): NumberQuestion => ({
  kind: 'number',
  group,
  words,
  unit,
  initial,
  least,
  most,
  changes: 'a computation',
  whatFor,
  source,
});
const length = (
  group: QuestionGroup,
  words: string,
  [initial, least, most]: [number, number, number],
  whatFor: string,
  source: Source = commonPractice,
): NumberQuestion => ({ ...number(group, words, '', [initial, least, most], whatFor, source), kind: 'length' });
const words = (
  group: QuestionGroup,
  question: string,
  initial: string,
  whatFor: string,
  check: (text: string) => string | null,
): WordsQuestion => ({
  kind: 'words',
  group,
  words: question,
  initial,
  changes: 'a computation',
  whatFor,
  source: commonPractice,
  check,
});
/** Minutes that the first of its kind takes one person; taking it out goes with it. */
const minutes = (what: string, kind: keyof typeof buildMinutes) => {
  const { put, take } = buildMinutes[kind];
  return number('Minutes of the build', what, 'min', [put || take, 0.1, 600], 'Of the first; later ones go faster.');
};
const yesNo = { no: 'no', yes: 'yes', unknown: 'not known' };

const runs = (what: string, initial: number, why: string) =>
  number('Runs an outlet', `Runs to ${what}`, 'runs', [initial, 0, 12], why);
const height = (what: string, initial: number) =>
  length('Lengths', `Height of ${what}`, [initial, 0, 20_000], 'Rise and drop of its run.');

const priority = (words: string, initial: 'no' | 'little' | 'some' | 'much') =>
  choice(
    'Arranging',
    words,
    { no: 'not at all', little: 'a little', some: 'some', much: 'much' },
    initial,
    'a computation',
    'How much it weighs when the cabinet is arranged.',
  );

/**
 * Every question of the survey and every figure that a job can set instead of its default. Only what changes a
 * computation, a caution or the record is asked.
 */
export const QUESTIONS = {
  'wall-kind': choice(
    'Building',
    'What is the wall behind the cabinet?',
    { unknown: 'not known', studs: 'board on studs', masonry: 'masonry', board: 'board only, no studs reached' },
    'unknown',
    'a caution',
    'How the cabinet may be hung, and what to find out first.',
  ),
  'outdoor-protectors': choice(
    'Building',
    'Are protectors fitted and bonded at both ends of copper that leaves the building?',
    yesNo,
    'unknown',
    'a caution',
    'A snag for copper outdoors until it is so.',
  ),
  'built-before-2000': choice(
    'Building',
    'Was the building put up or last rebuilt before the year 2000?',
    yesNo,
    'unknown',
    'a caution',
    'Old boards, coatings and lagging may hold asbestos or lead.',
  ),
  'finished-walls': choice(
    'Building',
    'Are the walls finished?',
    { yes: 'yes', no: 'no, still open', part: 'in part' },
    'yes',
    'a computation',
    'Minutes for making good are added to each run in finished walls.',
  ),
  'air-space': choice(
    'Building',
    'Is the space above the ceilings used to move air?',
    yesNo,
    'unknown',
    'a caution',
    'Cable there must be of the plenum or low-smoke kind that local code asks for.',
  ),
  'fire-class': {
    ...choice(
      'Building',
      'Which reaction to fire does local code ask of fixed cable?',
      { unknown: 'not known', ...Object.fromEntries(FIRE_CLASSES.map((one) => [one, `${one} or better`])) },
      'unknown',
      'a caution',
      'Cable of a lower class is a snag, and cable whose class nobody knows is one to look at.',
    ),
    under: ['reaction to fire'],
  },
  'fire-walls': choice(
    'Building',
    'Do runs cross fire-rated walls or floors?',
    yesNo,
    'unknown',
    'a caution',
    'Each hole is restored to its rating.',
  ),
  'route-c': number(
    'Building',
    'Warmest place along the runs in summer',
    '°C',
    [30, -20, 60],
    'Warm cable reaches less far. A loft under the sun takes 45 °C and more.',
  ),
  damp: choice(
    'Cabinet place',
    'Is the place damp?',
    yesNo,
    'unknown',
    'a caution',
    'Network gear does not stand damp.',
  ),
  dust: choice(
    'Cabinet place',
    'Is the place dusty?',
    yesNo,
    'unknown',
    'a computation',
    'Advice: an enclosed cabinet with filters.',
  ),
  quiet: choice(
    'Cabinet place',
    'Do people work or sleep within earshot?',
    yesNo,
    'unknown',
    'a computation',
    'Advice: an enclosed cabinet, gear without fans.',
  ),
  public: choice(
    'Cabinet place',
    'Can strangers reach the cabinet?',
    yesNo,
    'unknown',
    'a computation',
    'Advice: a cabinet that locks.',
  ),
  'reserved-for': {
    kind: 'words',
    group: 'Cabinet place',
    words: 'What must stay free, and for whom?',
    initial: '',
    changes: 'the record',
    whatFor: 'Goes on the list of open points.',
  },
  'inherited-tested': choice(
    'Cabinet place',
    'Were the cables that are there already tested?',
    { unknown: 'not known', none: 'there are none', no: 'no', yes: 'yes, with a record' },
    'unknown',
    'a computation',
    'Advice: what to keep. Untested cable is tested before it is landed.',
  ),
  'internet-in': choice(
    'Internet and mains',
    'How does the internet come in?',
    {
      fibre: 'fibre terminal',
      cable: 'cable modem',
      telephone: 'telephone modem',
      cellular: 'cellular aerial',
      none: 'not yet',
    },
    'fibre',
    'a caution',
    'The gateway stands near it; the lead of an aerial stays short.',
  ),
  'internet-mbps': number(
    'Internet and mains',
    'Internet speed expected',
    'Mb/s',
    [1000, 1, 100_000],
    'Advice: category and speed of the uplink.',
  ),
  'upload-mbps': number(
    'Internet and mains',
    'Upload speed',
    'Mb/s',
    [0, 0, 100_000],
    'Hours for a first copy of recordings elsewhere. 0: not known.',
  ),
  'mains-volts': choice(
    'Internet and mains',
    'Mains voltage',
    {
      unknown: 'not known',
      '100': '100 V',
      '120': '120 V',
      '127': '127 V',
      '220': '220 V',
      '230': '230 V',
      '240': '240 V',
    },
    'unknown',
    'a computation',
    'Amperes of the gear.',
  ),
  'mains-amps': number(
    'Internet and mains',
    'Rating of the circuit at the cabinet, or of the plug where that is less',
    'A',
    [10, 1, 100],
    'Amperes free. In North America a continuous load may take 80 % of it.',
  ),
  'mains-used-amps': number('Internet and mains', 'What else hangs on that circuit', 'A', [0, 0, 100], 'Amperes free.'),
  'mains-outlets': number(
    'Internet and mains',
    'Mains outlets in the wall at the cabinet',
    'outlets',
    [2, 0, 96],
    'Outlets free: those in the wall; what strips and battery units give is counted with them.',
  ),
  'energy-price': number(
    'Internet and mains',
    'Price of a kilowatt hour',
    'in money',
    [0, 0, 100],
    'Cost of a year of all that runs. 0: not said.',
  ),
  'rack-earthed': choice(
    'Mains out',
    'Are rack, rails, door and sides bonded to earth?',
    yesNo,
    'unknown',
    'a caution',
    'A snag until it is so: metal that a fault can reach, and screens that want a good earth.',
  ),
  'minutes-wanted': number(
    'Mains out',
    'Minutes that what must stay on lasts without mains',
    'min',
    [10, 0, 2880],
    'Battery units are judged by it, and loads are dropped for it.',
  ),
  'judged-on': {
    kind: 'words',
    group: 'Mains out',
    words: 'Day by which batteries are judged, such as 2026-11-27',
    initial: '',
    changes: 'a computation',
    whatFor: 'Batteries that are due by then are a snag. The Power station itself goes by today.',
    check: (text) =>
      text === '' || z.iso.date().safeParse(text).success ? null : 'expected a date such as 2026-11-27',
  },
  'proven-by': choice(
    'Proving',
    'A run counts as proven by',
    {
      continuity: 'continuity, and split pairs on data runs',
      'wire-map': 'its wire map, with split pairs tested',
      speed: 'its wire map, and a link at the speed it needs',
      certified: 'certification to its category, as a permanent link',
    },
    'wire-map',
    'a computation',
    'What keeps the job from being handed over. Continuity does not see split pairs; certification is what tenders ask for.',
  ),
  generator: choice(
    'Mains out',
    'Is there a generator?',
    { unknown: 'not known', none: 'no', hand: 'yes, started by hand', automatic: 'yes, starts by itself' },
    'unknown',
    'a computation',
    'Batteries must bridge until it carries the load.',
  ),
  'generator-kva': number('Mains out', 'Generator', 'kVA', [0, 0, 1000], 'Whether it is large enough. 0: not known.'),
  'generator-delay': number(
    'Mains out',
    'Seconds until the generator is first tried',
    's',
    [10, 0, 7200],
    'Part of the gap. By hand, portable: 10 to 20 minutes.',
  ),
  'generator-attempts': number(
    'Mains out',
    'Attempts to start',
    '',
    [3, 1, 10],
    'Each turns 15 s and rests 15 s.',
    crankSource,
  ),
  'generator-warm': number('Mains out', 'Seconds to warm up', 's', [15, 0, 1800], 'Part of the gap.'),
  'generator-transfer': number('Mains out', 'Seconds to transfer the load', 's', [5, 0, 600], 'Part of the gap.'),
  'generator-regulated': choice(
    'Mains out',
    'Does the generator hold its frequency and voltage well?',
    yesNo,
    'unknown',
    'a caution',
    'Line-interactive battery units may refuse one that does not.',
  ),
  'room-c': number('Heat and noise', 'Usual temperature of the room', '°C', [22, -20, 50], 'Inside of the cabinet.'),
  'room-summer-c': number(
    'Heat and noise',
    'Temperature of the room on the warmest days',
    '°C',
    [30, -20, 60],
    'Inside of the cabinet in summer, and how long batteries last.',
  ),
  'room-kind': choice(
    'Heat and noise',
    'What is the cabinet in?',
    { unknown: 'not known', room: 'a room in use', cupboard: 'a cupboard or closet', open: 'a hall or cellar' },
    'unknown',
    'a computation',
    'A cupboard warms up itself.',
  ),
  'room-m3': number('Heat and noise', 'Volume of the cupboard', 'm³', [2, 0.1, 1000], 'How much a cupboard warms up.'),
  'room-changes': number(
    'Heat and noise',
    'Changes of its air in an hour',
    '',
    [0.5, 0, 100],
    'A shut door lets little through; a grille above and below a few.',
  ),
  'room-m2': number('Heat and noise', 'Walls and door of the cupboard', 'm²', [10, 0, 1000], 'Heat goes through them.'),
  'height-m': number('Heat and noise', 'Height above the sea', 'm', [0, -400, 5000], 'Thin air carries less heat.'),
  'growth-percent': number(
    'Growth',
    'Growth in a year',
    '%',
    [10, 0, 100],
    'Everything that runs and gear take, in the years to come.',
  ),
  'growth-years': number('Growth', 'Years to look ahead', 'years', [5, 0, 20], 'The same.'),
  'runs-desk': runs('a desk', 2, 'Telephone and computer, or a spare for the next thing.'),
  'runs-television': runs('a television point', 3, 'Television, box and player, with none shared.'),
  'runs-camera': runs('a camera', 1, 'One device, powered over its run.'),
  'runs-access-point': runs('an access point', 2, 'The next one may want two, and a second run costs little now.'),
  'runs-speaker': runs('a speaker point', 1, 'One device.'),
  'runs-control-panel': runs('a control panel', 1, 'One device, powered over its run.'),
  'runs-telephone': runs('a telephone', 2, 'Two runs to any outlet: the second costs little now and much later.'),
  'runs-printer': runs('a printer', 2, 'Two runs to any outlet: the second costs little now and much later.'),
  'runs-other': runs('any other outlet', 2, 'Two runs to any outlet: the second costs little now and much later.'),
  'spare-later': choice(
    'Runs an outlet',
    'Wishes for later: pull their runs now?',
    { no: 'no, list them', yes: 'yes, pull and leave spare' },
    'no',
    'a computation',
    'Runs of later wishes count as reserved, or are pulled with the others.',
  ),
  'height-low': height('outlets on walls', 300),
  'height-desk': height('control panels and telephones on walls', 1400),
  'height-high': height('what hangs below the ceiling', 2500),
  'slack-cabinet': length(
    'Lengths',
    'Slack left at the cabinet',
    [slack.cabinetMm, 0, 20_000],
    'Added to each estimated length.',
    slackSource,
  ),
  'slack-outlet': length(
    'Lengths',
    'Slack left at an outlet',
    [slack.outletCopperMm, 0, 5000],
    'Added to each estimated length of copper; fibre takes 1 m.',
    slackSource,
  ),
  'cord-awg': choice(
    'Lengths',
    'Gauge of the patch cords',
    { '24': '24 AWG', '26': '26 AWG', '28': '28 AWG, slim' },
    '26',
    'a computation',
    'Cords and fixed cable together: thin cords cost reach.',
  ),
  'outlet-cord': length(
    'Lengths',
    'Cords at the outlet',
    [5000, 0, 20_000],
    'Channel length of each run.',
    outletCordSource,
  ),
  'pull-spare': number(
    'Buying and pulling',
    'Spare for each pull',
    '%',
    [10, 0, 30],
    'Added to each length that is cut off a box.',
  ),
  'reusable-rest': length(
    'Buying and pulling',
    'Shortest rest worth keeping',
    [15_000, 0, 100_000],
    'A shorter rest in an opened box counts as scrap.',
  ),
  'pull-together': choice(
    'Buying and pulling',
    'Pull the runs of one outlet together, from a box each?',
    { no: 'no, from any box', yes: 'yes, from a box each' },
    'no',
    'a computation',
    'Together is quicker, and opens as many boxes as an outlet has runs.',
  ),
  'tie-spacing': choice(
    'Buying and pulling',
    'Ties along a bundle every',
    { '150': '150 mm', '200': '200 mm', '300': '300 mm' },
    '200',
    'a computation',
    'Count of ties.',
  ),
  remotes: number(
    'Buying and pulling',
    'Remotes of the tone set at hand',
    'remotes',
    [4, 1, 60],
    'How many jacks one walk can trace.',
  ),
  'label-scheme': choice(
    'Labels',
    'Labels are made as',
    {
      numbers: 'plain numbers, the same at both ends',
      place: 'floor, room, outlet and jack',
      telecom: 'space, panel and port (TIA-606 form)',
    },
    'numbers',
    'a computation',
    'New labels, and what renaming proposes.',
  ),
  'label-space': {
    kind: 'words',
    group: 'Labels',
    words: 'Identifier of the room of the cabinet (floor and letter)',
    initial: '1A',
    changes: 'a computation',
    whatFor: 'Labels of the TIA-606 form begin with it.',
  },
  firm: {
    kind: 'words',
    group: 'Handing over',
    words: 'The firm that hands over',
    initial: '',
    changes: 'the record',
    whatFor: 'Stands on the pack and on the quotation.',
  },
  'firm-words': {
    kind: 'words',
    group: 'Handing over',
    words: 'What the firm tells every client',
    initial: '',
    changes: 'the record',
    whatFor: 'Stands on the first page of the pack.',
  },
  'keys-kept': {
    kind: 'words',
    group: 'Handing over',
    words: 'Where passwords and keys are kept',
    initial: '',
    changes: 'the record',
    whatFor: 'The pack says where they are; they are never in it.',
  },
  currency: {
    kind: 'words',
    group: 'What things cost',
    words: 'Money is counted in',
    initial: '',
    changes: 'the record',
    whatFor: 'Shown behind every amount.',
  },
  'cost-hour': number('What things cost', 'An hour of work', '', [60, 0, 1000], 'Minutes in money.'),
  'cost-5e': number('What things cost', 'A metre of Cat 5e', '', [0.35, 0, 100], 'Cable in money.'),
  'cost-6': number('What things cost', 'A metre of Cat 6', '', [0.5, 0, 100], 'Cable in money.'),
  'cost-6A': number('What things cost', 'A metre of Cat 6A', '', [0.9, 0, 100], 'Cable in money.'),
  'cost-panel-port': number('What things cost', 'A punch-down panel, a port', '', [2, 0, 100], 'Panels in money.'),
  'cost-keystone-port': number(
    'What things cost',
    'A keystone panel with its jacks, a port',
    '',
    [5, 0, 100],
    'Panels in money.',
  ),
  'cost-coupler-port': number('What things cost', 'A coupler panel, a port', '', [6, 0, 100], 'Panels in money.'),
  'cost-rack-unit': number('What things cost', 'A rack or cabinet, a unit', '', [25, 0, 1000], 'Racks in money.'),
  'cost-plug': number('What things cost', 'A plug', '', [0.8, 0, 100], 'Runs without a panel in money.'),
  'minutes-jack': number('What things cost', 'Minutes for one end on a jack', 'min', [6, 0, 60], 'Work in minutes.'),
  'minutes-plug': number('What things cost', 'Minutes for one end on a plug', 'min', [5, 0, 60], 'Work in minutes.'),
  'minutes-coupler': number(
    'What things cost',
    'Minutes for one end with plug and coupler',
    'min',
    [5.5, 0, 60],
    'Work in minutes.',
  ),
  'minutes-pull': number('What things cost', 'Minutes to pull one run', 'min', [20, 0, 240], 'Work in minutes.'),
  'minutes-pull-more': number(
    'What things cost',
    'Minutes for each further run of the same pull',
    'min',
    [3, 0, 240],
    'Work in minutes.',
  ),
  'minutes-making-good': number(
    'What things cost',
    'Minutes of making good for one outlet',
    'min',
    [30, 0, 600],
    'Work in minutes, in finished walls.',
  ),
  'arrange-school': choice(
    'Arranging',
    'How panels and switches stand to each other',
    {
      sandwich: 'panel, switch, panel: short straight cords',
      managers: 'panel above its switch, a manager between',
      entry: 'panels together at the cable entry',
    },
    'sandwich',
    'a computation',
    'What the arrangement draws together.',
  ),
  'arrange-distribution': choice(
    'Arranging',
    'Where the distribution unit stands',
    { bottom: 'at the bottom', top: 'at the top', upright: 'upright at a side or behind' },
    'bottom',
    'a computation',
    'Place of horizontal distribution units; upright ones keep theirs.',
  ),
  'arrange-short': priority('Short cords', 'much'),
  'arrange-cool': priority('Cool', 'some'),
  'arrange-service': priority('Easy to service', 'some'),
  'arrange-growth': priority('Room to grow', 'some'),
  'arrange-few-moves': priority('Few moves', 'some'),
  lifters: choice(
    'Arranging',
    'Who lifts',
    { women: 'up to 16 kg at the waist: anyone', men: 'up to 25 kg at the waist: those who agree to it' },
    'women',
    'a caution',
    'Which column of the guideline filter counts.',
  ),
  'land-wiring': choice(
    'Landing',
    'Pins and pairs, at both ends of every run',
    { A: 'T568A', B: 'T568B' },
    'B',
    'the record',
    'The colours on every termination card. Both are the same to the network; mixed on one run they cross.',
  ),
  'land-order': choice(
    'Landing',
    'Order of the runs on the panels',
    {
      room: 'by floor and room, then label',
      label: 'by label alone',
      plate: 'the number of the wall plate, where it has one',
      bundle: 'by bundle, then label',
    },
    'label',
    'a computation',
    'Which run is meant for which port.',
  ),
  'land-apart': choice(
    'Landing',
    'Runs to outdoors on a panel of their own',
    { no: 'no', yes: 'yes, where there are panels enough' },
    'no',
    'a computation',
    'Outdoor runs keep apart from the others. What is not copper, and telephone, always does where it can.',
  ),
  'land-spares': number(
    'Landing',
    'Ports left free behind each room',
    'ports',
    [0, 0, 12],
    'Growth keeps its place beside its room, as far as ports suffice.',
  ),
  'land-loop': length(
    'Landing',
    'Service loop of each tail',
    [pulling.serviceLoopMm, 0, 3000],
    'Every tail must reach its port and this much more, so that a panel can be drawn forward.',
  ),
  'patch-school': choice(
    'Patching and cords',
    'What matters in patching, beside power and speed',
    {
      short: 'the shortest cords',
      number: 'the same number on panel and switch',
      network: 'networks together on the switch',
    },
    'short',
    'a computation',
    'Which port among those that will do.',
  ),
  'patch-which': choice(
    'Patching and cords',
    'Which runs are patched',
    { live: 'those with a device', all: 'all of them' },
    'live',
    'a computation',
    'What the plan for patching takes in.',
  ),
  'patch-power': choice(
    'Patching and cords',
    'Watts that count against the budget of a switch',
    { measured: 'draw entered, else class', class: 'class of every device' },
    'measured',
    'a computation',
    'By draw more devices fit; a switch that budgets by class will turn some of them down.',
  ),
  'patch-slower': choice(
    'Patching and cords',
    'A run that finds no port as fast as it wants',
    { no: 'is left out, with the reason', yes: 'is patched slower, with a note' },
    'no',
    'a computation',
    'An access point at 1 Gb/s is better than a dark one; its snag stays.',
  ),
  'patch-spread': choice(
    'Patching and cords',
    'Critical runs over two switches, where there are two',
    { yes: 'yes', no: 'no' },
    'yes',
    'a computation',
    'One switch that fails does not take all of them down.',
  ),
  bonded: choice(
    'Landing',
    'Are the rack and its screened panels bonded to earth?',
    yesNo,
    'unknown',
    'a caution',
    'A snag for screened panels until it is so. Bonding is work for somebody qualified, to local code.',
  ),
  'cord-category': choice(
    'Patching and cords',
    'Category of the patch cords',
    { unknown: 'not known', '5e': 'Cat 5e', '6': 'Cat 6', '6A': 'Cat 6A', '8': 'Cat 8' },
    'unknown',
    'a computation',
    'Cords below the category of their link take the channel down to theirs.',
  ),
  'cord-screened': choice(
    'Patching and cords',
    'Screened patch cords',
    { no: 'no', yes: 'yes' },
    'no',
    'a computation',
    'Room for plug, boot and bend; what goes with screened jacks.',
  ),
  'cord-way': choice(
    'Patching and cords',
    'Way of the cords',
    {
      auto: 'the nearest: straight, manager or side',
      side: 'always round the side',
    },
    'auto',
    'a computation',
    'Length of every cord.',
  ),
  'cord-lengths': words(
    'Patching and cords',
    'Lengths that cords come in',
    '0.25 m, 0.5 m, 1 m, 1.5 m, 2 m, 3 m, 5 m',
    'Each cord is the smallest of these that reaches. With units: 0.5 m, 1 ft, 6 in.',
    (text) => readLengths(text).fault,
  ),
  'cord-colour': choice(
    'Patching and cords',
    'Colour of the cords',
    { network: 'by network', floor: 'by floor', use: 'by use: power, critical, plain' },
    'network',
    'a computation',
    'Colour and letter of every cord on the pick list.',
  ),
  'cord-source': choice(
    'Patching and cords',
    'Cords are',
    { bought: 'bought', made: 'made here' },
    'bought',
    'a computation',
    'Cost and minutes of the pick list; both are shown.',
  ),
  'cord-spare': number(
    'Patching and cords',
    'Spare cords of each length and colour',
    '%',
    [10, 0, 100],
    'Rounded up on the pick list.',
  ),
  'price-cord': number(
    'What things cost',
    'Price of a bought cord',
    '',
    [2, 0, 1000],
    'The pick list; each metre comes on top.',
  ),
  'price-cord-metre': number('What things cost', 'and for each metre of it', '', [1, 0, 1000], 'The pick list.'),
  'price-made-cord': number(
    'What things cost',
    'Plugs and boots of a cord made here',
    '',
    [0.8, 0, 1000],
    'The pick list, cords made here.',
  ),
  'price-made-metre': number(
    'What things cost',
    'and stranded cable for each metre',
    '',
    [0.4, 0, 1000],
    'The pick list, cords made here.',
  ),
  'minutes-made-cord': number(
    'What things cost',
    'Minutes to make and test one cord',
    'min',
    [8, 0, 60],
    'The pick list, cords made here.',
  ),
  'minutes-circuit': minutes('A circuit, by the electrician', 'circuit'),
  'minutes-rack-in': minutes('A cabinet hung or stood', 'rack-in'),
  'minutes-rack-out': minutes('A cabinet taken down', 'rack-out'),
  'minutes-run': minutes('A cable pulled', 'pull'),
  'minutes-gear': minutes('A device of one unit put in', 'gear'),
  'minutes-land': minutes('A run landed', 'land'),
  'minutes-outlet': minutes('An outlet', 'outlet'),
  'minutes-cord': minutes('A cord', 'cord'),
  'minutes-link': minutes('An uplink', 'link'),
  'minutes-supply': minutes('A supply plugged', 'plug'),
  'minutes-test': minutes('A test', 'test'),
} as const satisfies Record<string, Question>;

export type QuestionId = keyof typeof QUESTIONS;
export const QUESTION_IDS = Object.keys(QUESTIONS) as QuestionId[];
export const isQuestion = (id: string): id is QuestionId => Object.hasOwn(QUESTIONS, id);
export const questionOf = (id: QuestionId): Question => QUESTIONS[id];

/** Groups that are a firm's own way in every building. */
const FIRMS_GROUPS: readonly QuestionGroup[] = [
  'Runs an outlet',
  'Lengths',
  'Buying and pulling',
  'Labels',
  'What things cost',
  'Minutes of the build',
  'Arranging',
  'Landing',
  'Patching and cords',
  'Proving',
  'Handing over',
];
/** What in those groups is of one building all the same. */
const OF_ONE_BUILDING: readonly QuestionId[] = ['label-space', 'keys-kept', 'bonded', 'arrange-few-moves'];
/** Whether an answer is how a firm works, whatever the building: new jobs of the firm begin with it. */
export const isFirms = (id: string): boolean =>
  id in QUESTIONS &&
  FIRMS_GROUPS.includes(questionOf(id as QuestionId).group) &&
  !OF_ONE_BUILDING.some((one) => one === id);
