import { CablesInstance } from '../../src/cli/models/cables';
import { seededRandom } from '../../src/core/base/solve/random';

/** Runs of a seeded site: outlets of one to three runs, 8 to 75 m long, and a few boxes that were begun. */
export function cablesInstance(count: number, seed: number, pullTogether = true): CablesInstance {
  const random = seededRandom(seed * 7919 + count);
  const runs: { id: string; outlet: string; length_m: number }[] = [];
  for (let outlet = 1; runs.length < count; outlet++) {
    const length = 8 + random() * 67;
    const together = Math.min(count - runs.length, 1 + Math.floor(random() * 3));
    for (let one = 0; one < together; one++) {
      const length_m = Math.round((length + random() * 0.5) * 10) / 10;
      runs.push({ id: `R${runs.length + 1}`, outlet: `O${outlet}`, length_m });
    }
  }
  const partBoxes = Array.from({ length: 2 + Math.floor(random() * 3) }, (_, at) => ({
    id: `P${at + 1}`,
    left_m: Math.round((15 + random() * 190) * 10) / 10,
  }));
  return CablesInstance.parse({ newBox_m: 305, minReusable_m: 15, pullTogether, partBoxes, runs });
}

/** The same choice as a mixed-integer model in LP format, with so many new boxes on offer. */
export function cablesLp(instance: CablesInstance, newBoxes: number): string {
  const { runs, partBoxes, newBox_m, minReusable_m, pullTogether } = instance;
  const tenths = (m: number) => Math.round(m * 10);
  const boxes = [
    ...partBoxes.map((box) => ({ left: tenths(box.left_m), fresh: false })),
    ...Array.from({ length: newBoxes }, () => ({ left: tenths(newBox_m), fresh: true })),
  ];
  const least = tenths(minReusable_m);
  const rows: string[] = [];
  const x = (run: number, box: number) => `x_${run}_${box}`;
  for (const run of runs.keys()) rows.push(`${boxes.map((__, box) => x(run, box)).join(' + ')} = 1`);
  boxes.forEach(({ left, fresh }, box) => {
    const fill = runs.map((run, at) => `${tenths(run.length_m)} ${x(at, box)}`).join(' + ');
    rows.push(`${fill} - ${left} y_${box} <= 0`);
    // Either the rest is kept (k = 1) and long enough, or it is scrap.
    rows.push(`${fill} - ${left} y_${box} + ${least} k_${box} <= 0`);
    rows.push(`k_${box} - y_${box} <= 0`);
    rows.push(`${fill} - ${left} y_${box} + s_${box} + ${left} k_${box} >= 0`);
    if (fresh && box > partBoxes.length) rows.push(`y_${box} - y_${box - 1} <= 0`);
  });
  if (pullTogether) {
    const outlets = new Map<string, { at: number }[]>();
    runs.forEach(({ outlet }, at) => {
      if (outlet !== '') outlets.set(outlet, [...(outlets.get(outlet) ?? []), { at }]);
    });
    for (const members of outlets.values()) {
      if (members.length < 2) continue;
      for (const box of boxes.keys()) rows.push(`${members.map(({ at }) => x(at, box)).join(' + ')} <= 1`);
    }
  }
  const objective = boxes.map(({ fresh }, box) => (fresh ? `10000 y_${box} + s_${box}` : `s_${box}`)).join(' + ');
  const binaries = [
    ...runs.flatMap((_, run) => boxes.map((__, box) => x(run, box))),
    ...boxes.flatMap((_, box) => [`y_${box}`, `k_${box}`]),
  ];
  return `Minimize\n obj: ${objective}\nSubject To\n ${rows.map((row, at) => `c${at}: ${row}`).join('\n ')}\nBinary\n ${binaries.join('\n ')}\nEnd`;
}
