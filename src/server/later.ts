import { Refusal } from '../core/base/text/refusal';

/** A refusal that is over after a while: the same is taken then. */
export class Later extends Refusal {
  readonly seconds: number;
  constructor(code: 'busy' | 'too-many' | 'too-long', message: string, seconds: number) {
    super(code, message);
    this.seconds = seconds;
  }
}
