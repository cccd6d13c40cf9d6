import { describe, expect, it } from 'vitest';
import { apply, bench, demoText } from '../../../../tests/support/jobs';
import { readJobFile } from '../../exchange/formats/jobFile';
import { Gear } from '../../job/records/gear';
import { answerCommand } from '../survey/answers/answers';
import { drillCaution, mainsCaution } from './stepCautions';

const gear = (fields: object) =>
  Gear.parse({ id: 'x', name: 'X', kind: 'switch', heightU: 1, depthMm: 200, ...fields });

describe('cautions of steps', () => {
  it('say of what has a mains supply to switch off, unplug and see that it is dead, and of a UPS that it stays live', () => {
    expect(mainsCaution(gear({ inlet: 'c14', inlets: 1 }))).toContain('see that it is dead');
    expect(mainsCaution(gear({ kind: 'ups', inlet: 'c14', inlets: 1 }))).toContain('stay live without mains');
    expect(mainsCaution(gear({ kind: 'panel' }))).toBe('');
  });

  it('stop before old boards, also where nobody said how old they are', () => {
    expect(drillCaution(bench())).toContain('asbestos');
    expect(drillCaution(apply(bench(), answerCommand(bench(), 'built-before-2000', 'no')))).not.toContain('asbestos');
    expect(drillCaution(readJobFile(demoText('marrowby-job.json')))).toContain('mains, water and gas');
  });
});
