import { parseLength } from './length';

/**
 * Lengths as people list them: `0.5 m, 1 m, 2 ft`. A number without a unit is metres.
 * @returns ascending whole millimetres, or what is wrong and with which of them
 */
export function readLengths(text: string): { mm: number[]; fault: string | null } {
  const parts = text
    .split(/[,;]\s+|;|\s{2,}/)
    .map((part) => part.trim())
    .filter(Boolean);
  if (parts.length === 0) return { mm: [], fault: 'Expected at least one length, such as 0.5 m.' };
  const mm: number[] = [];
  for (const part of parts) {
    const length = parseLength(part, 'm');
    if (length === null || length < 50 || length > 100_000)
      return { mm: [], fault: `“${part}”: expected a length from 5 cm to 100 m with its unit, such as 0.5 m or 1 ft.` };
    mm.push(length);
  }
  return { mm: [...new Set(mm)].sort((a, b) => a - b), fault: null };
}
