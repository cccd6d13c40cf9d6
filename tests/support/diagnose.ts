import { DiagnoseInstance } from '../../src/cli/models/diagnose';
import { seededRandom } from '../../src/core/base/solve/random';

/** Seeded suspects with unlike odds and mends, and tests that find a half, a few or one of them. */
export function diagnoseInstance(count: number, seed: number, testCount = Math.ceil(count * 0.7)): DiagnoseInstance {
  const random = seededRandom(seed * 6151 + count);
  const suspects = Array.from({ length: count }, (_, at) => ({
    id: `s${at}`,
    odds: Math.round((0.2 + random() ** 3 * 20) * 100) / 100,
    mendMin: Math.round(2 + random() * 40),
  }));
  const tests = Array.from({ length: testCount }, (_, at) => {
    const share = [0.5, 0.25, 1 / count][at % 3] ?? 0.5;
    const finds = suspects.filter(() => random() < share).map(({ id }) => id);
    return { id: `t${at}`, minutes: Math.round(1 + random() * 12), finds };
  });
  return DiagnoseInstance.parse({ suspects, tests });
}
