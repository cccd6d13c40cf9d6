/** Nothing came back: there is no network, or the server does not answer in time. It is tried again. */
export class NoNetwork extends Error {
  override name = 'NoNetwork';
}

/** The server answered that it is not well. It is tried again, slower and slower. `code` names what ails it. */
export class Unwell extends Error {
  override name = 'Unwell';
  readonly code: string;
  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}

/** What was asked cannot be done, whoever asks again. The message says why. */
export class CannotBeDone extends Error {
  override name = 'CannotBeDone';
  readonly code: string;
  constructor(code: string, message: string) {
    super(message);
    this.code = code;
  }
}
