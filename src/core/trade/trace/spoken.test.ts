import { describe, expect, it } from 'vitest';
import { readSpoken } from './spoken';

describe('numbers that were said', () => {
  it.each([
    ['twenty three', '23'],
    ['oh seven', '07'],
    ['one two three', '123'],
    ['fourteen', '14'],
    ['ninety', '90'],
    ['twenty three four', '23 4'],
    ['switch a nine', 'switch a 9'],
    ['Pharmacy', 'Pharmacy'],
    ['X9', 'X9'],
    ['', ''],
  ])('%s is %s', (said, read) => expect(readSpoken(said)).toBe(read));
});
