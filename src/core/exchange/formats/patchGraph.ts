import { escapeXml } from '../../base/text/escapeXml';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { listCords } from '../../trade/patching/cordList';
import { listUplinks } from '../../trade/patching/uplinks/uplinkFacts';
import { traceRun } from '../../trade/trace/traceRun';

type Node = { id: string; label: string; kind: 'outlet' | 'panel port' | 'switch port' | 'device' | 'network' };
type Edge = { from: string; to: string; label: string; kind: 'run' | 'cord' | 'within' | 'uplink' | 'network' };
export type PatchGraph = { nodes: Node[]; edges: Edge[] };

/** The wiring as a graph: outlets, panel ports, switch ports, devices and networks, joined by runs, cords and uplinks. */
export function patchGraph(job: Job): PatchGraph {
  const nodes = new Map<string, Node>();
  const edges: Edge[] = [];
  const node = (id: string, label: string, kind: Node['kind']) => {
    nodes.set(id, { id, label, kind });
    return id;
  };
  const portNode = (gearId: string, port: number, kind: 'panel port' | 'switch port') => {
    const name = job.gear[gearId]?.name ?? gearId;
    const id = `port ${gearId} ${port}`;
    if (!nodes.has(id)) {
      node(id, `${name} ${port}`, kind);
      edges.push({ from: node(`device ${gearId}`, name, 'device'), to: id, label: '', kind: 'within' });
    }
    return id;
  };
  for (const run of indexJob(job).runsInOrder) {
    const { landing, cord, network } = traceRun(job, run);
    const place = [run.floor, run.room, run.outlet].filter(Boolean).join(', ');
    const outlet = node(`outlet ${run.id}`, place ? `${run.label} (${place})` : run.label, 'outlet');
    if (!landing) continue;
    const panelPort = portNode(landing.panelId, landing.port, 'panel port');
    edges.push({ from: outlet, to: panelPort, label: run.label, kind: 'run' });
    if (!cord) continue;
    const switchPort = portNode(cord.switchId, cord.switchPort, 'switch port');
    const length = listCords(job).find((one) => one.cord.id === cord.id)?.lengthMm;
    edges.push({ from: panelPort, to: switchPort, label: length ? `${length / 1000} m` : '', kind: 'cord' });
    if (network) {
      const to = node(`network ${network.id}`, network.name, 'network');
      edges.push({ from: switchPort, to, label: network.code, kind: 'network' });
    }
  }
  for (const { uplink, medium } of listUplinks(job)) {
    const from = portNode(uplink.fromId, uplink.fromPort, 'switch port');
    const to = portNode(uplink.toId, uplink.toPort, 'switch port');
    edges.push({ from, to, label: medium, kind: 'uplink' });
  }
  return { nodes: [...nodes.values()], edges };
}

/** The wiring as GraphML. */
export function patchGraphMl(job: Job): string {
  const { nodes, edges } = patchGraph(job);
  const data = (key: string, value: string) => `<data key="${key}">${escapeXml(value)}</data>`;
  const lines = [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<graphml xmlns="http://graphml.graphdrawing.org/xmlns">',
    '  <key id="label" for="all" attr.name="label" attr.type="string"/>',
    '  <key id="kind" for="all" attr.name="kind" attr.type="string"/>',
    '  <graph id="patch" edgedefault="undirected">',
    ...nodes.map(
      (one) => `    <node id="${escapeXml(one.id)}">${data('label', one.label)}${data('kind', one.kind)}</node>`,
    ),
    ...edges.map(
      (one, at) =>
        `    <edge id="e${at + 1}" source="${escapeXml(one.from)}" target="${escapeXml(one.to)}">${data('label', one.label)}${data('kind', one.kind)}</edge>`,
    ),
    '  </graph>',
    '</graphml>',
  ];
  return `${lines.join('\n')}\n`;
}

const quoted = (text: string) =>
  `"${text
    .replace(/\\/g, '\\\\')
    .replace(/"/g, '\\"')
    .replace(/[\r\n]+/g, ' ')}"`;
const SHAPE: Record<Node['kind'], string> = {
  outlet: 'ellipse',
  'panel port': 'box',
  'switch port': 'box',
  device: 'folder',
  network: 'hexagon',
};

/** The wiring in the DOT language. */
export function patchDot(job: Job): string {
  const { nodes, edges } = patchGraph(job);
  const lines = [
    `graph ${quoted(job.name)} {`,
    '  rankdir=LR;',
    ...nodes.map((one) => `  ${quoted(one.id)} [label=${quoted(one.label)}, shape=${SHAPE[one.kind]}];`),
    ...edges.map(
      (one) => `  ${quoted(one.from)} -- ${quoted(one.to)} [label=${quoted(one.label)}, class=${quoted(one.kind)}];`,
    ),
    '}',
  ];
  return `${lines.join('\n')}\n`;
}
