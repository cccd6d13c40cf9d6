import { z } from 'zod';
import type { CuttingProblem } from '../solve/cutting/problem';
import type { SearchLimits } from '../solve/limits';
/** An instance of the choice which run is cut from which box. Lengths in metres, to the tenth. */
export declare const CablesInstance: z.ZodObject<
  {
    newBox_m: z.ZodDefault<z.ZodNumber>;
    minReusable_m: z.ZodDefault<z.ZodNumber>;
    pullTogether: z.ZodDefault<z.ZodBoolean>;
    partBoxes: z.ZodDefault<
      z.ZodArray<
        z.ZodObject<
          {
            id: z.ZodString;
            left_m: z.ZodNumber;
          },
          z.core.$loose
        >
      >
    >;
    runs: z.ZodArray<
      z.ZodObject<
        {
          id: z.ZodString;
          outlet: z.ZodDefault<z.ZodString>;
          length_m: z.ZodNumber;
        },
        z.core.$loose
      >
    >;
  },
  z.core.$loose
>;
export type CablesInstance = z.infer<typeof CablesInstance>;
export type Solved<S> = {
  status: 'optimal' | 'best-found' | 'infeasible';
  objective: number | null;
  bound: number | null;
  seconds: number;
  solution: S | null;
};
/** The instance in whole decimetres, as the solver takes it. @throws Refusal when an id stands twice */
export declare function cuttingProblem(instance: CablesInstance): CuttingProblem;
/** Which run from which box: part boxes by id, new boxes N1, N2 and so on. */
export declare function solveCables(
  instance: CablesInstance,
  limits: SearchLimits,
): Solved<{
  boxOf: Record<string, string>;
}>;
//# sourceMappingURL=cables.d.ts.map
