import { type MainsWire, mainsWires } from '../../base/standards/mainsWire';

/**
 * Voltage lost on the way to an outlet and back.
 * @param lengthMm of the cable, one way
 * @returns volts, and % of the mains
 */
export function voltageDrop(wire: MainsWire, lengthMm: number, amps: number, volts: number) {
  const lost = (mainsWires[wire].mvPerAm * amps * lengthMm) / 1e6;
  return { volts: lost, percent: (100 * lost) / volts };
}
