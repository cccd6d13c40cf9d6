import type { FaultPart, Symptom } from '../../job/records/mend';

/** A part of the path that may be the fault. */
export type Suspect = { id: string; part: FaultPart; words: string; odds: number; mend: string; mendMin: number };
export type TroubleTest = {
  id: string;
  words: string;
  yes: string;
  no: string;
  minutes: number;
  finds: readonly string[];
};

/** A part that others hang on too. */
export type SharedPart = {
  id: string;
  part: 'switch' | 'uplink' | 'supply';
  words: string;
  /** So many times likelier, by others that have the trouble too or have it not. */
  factor: number;
};

/** What the way from a switch to a device is called, part by part. */
export type PathNames = {
  label: string;
  device: string;
  panelPort: string | null;
  /** Its cord ends in this switch port. */
  switchPort: string | null;
  powered: boolean;
  shared: readonly SharedPart[];
};

const MENDS: Record<FaultPart, { mend: string; minutes: number }> = {
  device: { mend: 'Change the device, or set it up anew', minutes: 15 },
  'device-cord': { mend: 'Change the cord at the device', minutes: 2 },
  'outlet-jack': { mend: 'End the outlet jack anew', minutes: 10 },
  cable: { mend: 'Take a spare run, or pull a new one', minutes: 60 },
  'panel-jack': { mend: 'End the panel port anew', minutes: 8 },
  'patch-cord': { mend: 'Change the patch cord', minutes: 2 },
  port: { mend: 'Set the port as planned, or take another', minutes: 5 },
  power: { mend: 'Free watts, or take a port that has them', minutes: 10 },
  switch: { mend: 'Start the switch anew, or change it', minutes: 20 },
  uplink: { mend: 'Change the uplink cord or its modules', minutes: 6 },
  supply: { mend: 'Plug it in, or feed it from elsewhere; circuits are for a licensed electrician', minutes: 10 },
};

const COOL = { mend: 'Cool the cabinet: see Heat. Until then leave its door open', minutes: 10 };

/** What each part of a path is called, and what mends it. Minutes by rule of thumb, no source. */
export function suspectsOf(
  { label, device, panelPort, switchPort, powered, shared }: PathNames,
  symptom: Symptom,
  odds: ReadonlyMap<FaultPart, number>,
): Suspect[] {
  const single = (part: Exclude<FaultPart, SharedPart['part']>, words: string): Suspect => ({
    id: part,
    part,
    words,
    odds: part === 'power' && !powered && symptom !== 'no-power' ? 0 : (odds.get(part) ?? 0),
    mend: MENDS[part].mend,
    mendMin: MENDS[part].minutes,
  });
  const of = (part: SharedPart['part']) => shared.filter((one) => one.part === part).length;
  return [
    single('device', `${device.charAt(0).toUpperCase()}${device.slice(1)} itself`),
    single('device-cord', 'The cord from the outlet to the device'),
    single('outlet-jack', `The jack of run ${label} at the outlet`),
    single('cable', `The cable of run ${label}`),
    single('panel-jack', panelPort ?? 'The end at the panel'),
    single('patch-cord', switchPort ? `The cord to ${switchPort}` : 'The patch cord (none is planned)'),
    single('port', switchPort ? `${switchPort}, or how it is set` : 'The switch port, or how it is set'),
    single('power', `The power for ${device}: class, budget, or volts at its end`),
    ...shared.map(({ id, part, words, factor }): Suspect => {
      const { mend, minutes } = symptom === 'warm-afternoons' && part === 'switch' ? COOL : MENDS[part];
      return { id, part, words, odds: ((odds.get(part) ?? 0) * factor) / of(part), mend, mendMin: minutes };
    }),
  ].filter((one) => one.odds > 0);
}

/** Tests that a person with cords, a laptop and a wire tester can do, by the parts that each finds. Minutes by rule of thumb, no source. */
const TESTS: readonly (Omit<TroubleTest, 'finds'> & { finds: readonly FaultPart[] })[] = [
  {
    id: 'lamp',
    words: 'Look at the lamp and the settings of the switch port: is it switched off, forced, or in another network?',
    yes: 'something is not as planned',
    no: 'all as planned',
    minutes: 1,
    finds: ['port'],
  },
  {
    id: 'others',
    words: 'Do other devices on the same switch work?',
    yes: 'none of them',
    no: 'they work',
    minutes: 1,
    finds: ['switch', 'uplink', 'supply'],
  },
  {
    id: 'switch-lamps',
    words: 'Is any lamp lit at the switch?',
    yes: 'none',
    no: 'some are',
    minutes: 1,
    finds: ['switch', 'supply'],
  },
  {
    id: 'budget',
    words: 'Look at the watts of the switch: over its budget, denied, or of a class that the port does not give?',
    yes: 'it is',
    no: 'there is enough',
    minutes: 2,
    finds: ['power'],
  },
  {
    id: 'good-device',
    words: 'Put a device that is known to be good, with its own cord, on the outlet. Does it work there?',
    yes: 'it works',
    no: 'it has the same trouble',
    minutes: 4,
    finds: ['device', 'device-cord'],
  },
  {
    id: 'device-elsewhere',
    words: 'Take the device to another outlet that works, with another cord. Does the trouble go with it?',
    yes: 'it does',
    no: 'it works there',
    minutes: 6,
    finds: ['device'],
  },
  {
    id: 'good-cord',
    words: 'Patch the panel port with a good cord to a switch port that works. Does it work now?',
    yes: 'it works',
    no: 'the same trouble',
    minutes: 3,
    finds: ['patch-cord', 'port'],
  },
  {
    id: 'wire-map',
    words: 'Test the run from panel port to outlet with the wire tester. Does it fail?',
    yes: 'it fails',
    no: 'it passes',
    minutes: 5,
    finds: ['outlet-jack', 'cable', 'panel-jack'],
  },
  {
    id: 'length',
    words: 'Measure the pairs from the panel: does one end within 2 m?',
    yes: 'it ends here',
    no: 'it does not',
    minutes: 4,
    finds: ['panel-jack'],
  },
  {
    id: 'supply',
    words: 'Has the outlet that feeds it volts, by a plug-in meter? Open nothing.',
    yes: 'it has none',
    no: 'it has',
    minutes: 3,
    finds: ['supply'],
  },
];

/** Tests that part these suspects. */
export const testsFor = (suspects: readonly Suspect[]): TroubleTest[] =>
  TESTS.map((test) => ({
    ...test,
    finds: suspects.filter(({ part }) => test.finds.includes(part)).map(({ id }) => id),
  })).filter(({ finds }) => finds.length > 0 && finds.length < suspects.length);
