/** What a person has beside the password. */
export interface SecondFactor {
  /** What their device makes its codes of. */
  readonly secret: Buffer;
  /** Its owner gave a first code; before that it opens and asks nothing. */
  readonly isConfirmed: boolean;
  /** Recovery codes that were not used yet. */
  readonly codesLeft: number;
}

export interface SecondFactorStore {
  find(personId: number): Promise<SecondFactor | null>;
  /** In the place of one that was begun and never confirmed; whether none is confirmed already. */
  begin(personId: number, secret: Buffer): Promise<boolean>;
  /** From now on it counts, with these recovery codes; whether it is the one that the code was looked at with, and did not count before. `step`: of that code. */
  confirm(personId: number, looked: { readonly secret: Buffer; readonly step: number }, codeHashes: readonly Buffer[]): Promise<boolean>;
  /** Whether no code of this step or a later one was taken before (RFC 6238, 5.2: a code opens once). */
  takeStep(personId: number, step: number): Promise<boolean>;
  /** Whether it was one of those that are left; it is none any more. */
  takeCode(personId: number, codeHash: Buffer): Promise<boolean>;
  /** Those before open nothing any more. */
  renewCodes(personId: number, codeHashes: readonly Buffer[]): Promise<void>;
  /** Whether there was one. */
  remove(personId: number): Promise<boolean>;
  /** Whether the installation asks it of everybody who has a password. */
  isRequired(): Promise<boolean>;
  require(isRequired: boolean): Promise<void>;
  /** People with a password and without a second factor. */
  countWithout(): Promise<number>;
}

/** Codes by time (RFC 6238) and in the place of a lost device. */
export interface OneTimeCodes {
  /** 160 random bits (RFC 4226, R6). */
  newSecret(): Buffer;
  /** As it is typed into a device, and as one that is photographed there. */
  addressOf(secret: Buffer, email: string): { readonly secret: string; readonly address: string };
  /** The step of thirty seconds that the code is of: this one, the one before or the one after; `null`: of none. */
  stepOf(secret: Buffer, code: string, now: Date): number | null;
  /** Ten, of fifty random bits each. */
  newRecoveryCodes(): string[];
}
