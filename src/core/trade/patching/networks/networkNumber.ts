import { refuse } from '../../../base/text/refusal';
import { Network } from '../../../job/records/network';

/** Number of a network as typed; nothing is none. @throws Refusal when it is none that switches know (IEEE 802.1Q) */
export function readNetworkNumber(text: string): number | null {
  const number = text.trim() === '' ? null : Number(text);
  const read = Network.shape.number.safeParse(number);
  return read.success ? read.data : refuse('network-number', 'Expected 1 to 4094.');
}
