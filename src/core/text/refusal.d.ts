/**
 * A change or a file that cannot be taken, said in words for the person who asked.
 * `code` names the kind; `at` the record, row or field, where there is one.
 */
export declare class Refusal extends Error {
  readonly code: string;
  readonly at: string | null;
  constructor(code: string, message: string, at?: string | null);
}
export declare function refuse(code: string, message: string, at?: string | null): never;
//# sourceMappingURL=refusal.d.ts.map
