/**
 * A change or a file that cannot be taken, said in words for the person who asked.
 * `code` names the kind; `at` the record, row or field, where there is one.
 */
export class Refusal extends Error {
  readonly code: string;
  readonly at: string | null;
  constructor(code: string, message: string, at: string | null = null) {
    super(message);
    this.name = 'Refusal';
    this.code = code;
    this.at = at;
  }
}

export function refuse(code: string, message: string, at: string | null = null): never {
  throw new Refusal(code, message, at);
}
