/** Names one port of one device within a job. */
export const portKey = (gearId: string, port: number): string => `${gearId}:${port}`;
