/** `100 Mb/s`, `2.5 Gb/s`. */
export function formatSpeed(mbps: number): string {
  return mbps < 1000 ? `${mbps} Mb/s` : `${Number((mbps / 1000).toFixed(1))} Gb/s`;
}
