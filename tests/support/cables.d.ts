import { CablesInstance } from '../../src/core/models/cables';
/** Runs of a seeded site: outlets of one to three runs, 8 to 75 m long, and a few boxes that were begun. */
export declare function cablesInstance(count: number, seed: number, pullTogether?: boolean): CablesInstance;
/** The same choice as a mixed-integer model in LP format, with so many new boxes on offer. */
export declare function cablesLp(instance: CablesInstance, newBoxes: number): string;
//# sourceMappingURL=cables.d.ts.map
