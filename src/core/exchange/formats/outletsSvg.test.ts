import { expect, it } from 'vitest';
import { plugged, powered } from '../../../../tests/support/powered';
import { escapeXml } from '../../base/text/escapeXml';
import { outletMap } from '../../trade/power/outletMap';
import { outletsSvg } from './outletsSvg';

it('the outlet map draws every outlet of the cabinet once, and names what is in it, walls included', () => {
  const job = plugged(powered()).job;
  const svg = outletsSvg(job);
  const rows = outletMap(job);
  for (const { feedId, feed, outlet, device } of rows) {
    const drawn = svg.split(`<title>${escapeXml(`${feed} outlet ${outlet.number}: ${device || 'free'}`)}</title>`);
    expect(drawn.length - 1).toBe(job.wallOutlets[feedId] ? 0 : 1);
    if (device !== '') expect(svg).toContain(`>${outlet.number}  ${escapeXml(device)}`);
  }
});

it('a strip that hangs nowhere is listed, not left out', () => {
  const { job } = plugged(powered());
  const svg = outletsSvg({ ...job, placements: {}, shelvings: {} });
  for (const gear of Object.values(job.gear).filter(({ outlets }) => outlets.length > 0))
    expect(svg).toContain(`>${escapeXml(gear.name)}</text>`);
});
