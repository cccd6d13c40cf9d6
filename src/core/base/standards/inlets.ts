/** How a device takes its mains: by IEC 60320 inlet, by a plug of its own supply, or by a fixed cord. */
export const INLETS = ['none', 'c6', 'c8', 'c14', 'c20', 'barrel', 'cord'] as const;
