import { ethernetRateSource, goodput, transferMinutes } from '../../../base/standards/ethernetRates';
import { citeSource } from '../../../base/standards/source';
import { formatSpeed } from '../../../base/text/speed';
import type { Topology } from './topology';

/** Whether the gateway's fastest link hands on all that the internet brings. */
export const gatewayKeepsUp = ({
  gatewayMbps,
  internetMbps,
}: Pick<Topology, 'gatewayMbps' | 'internetMbps'>): boolean => gatewayMbps >= internetMbps;

/** How the gateway is linked, against the speed of the internet, and what that means for data. */
export function gatewayWords({ gateway, gatewayMbps, internetMbps }: Topology): string {
  if (!gateway) return 'No gateway yet: add a router at Stack.';
  if (gatewayMbps === 0) return `${gateway.name} is linked to no switch yet.`;
  const verdict = gatewayKeepsUp({ gatewayMbps, internetMbps })
    ? 'the link hands all of it on'
    : 'more than the link hands on';
  const data = formatSpeed(Math.floor(goodput(gatewayMbps)));
  const minutes = transferMinutes(1e11, gatewayMbps).toFixed(1);
  return `${gateway.name} is linked at ${formatSpeed(gatewayMbps)}; the internet comes in at ${formatSpeed(internetMbps)}: ${verdict}. At most ${data} of the link is data: 100 GB take ${minutes} min (${citeSource(ethernetRateSource)}).`;
}
