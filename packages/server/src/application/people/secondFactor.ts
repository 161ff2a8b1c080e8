import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Identity, PauseSubject, Person, Ports } from '../ports/index.ts';
import { about } from './aboutPerson.ts';
import { tellSecondFactorChanged } from './letters.ts';

type FactorPorts = Pick<Ports, 'people' | 'secrets' | 'codes' | 'secondFactors' | 'pauses' | 'accessLog' | 'outbox'>;

/** As many wrong codes of one person, wherever they come from, make no pause yet. */
const freeOfPerson = 5;

interface SecondFactorView {
  readonly isOn: boolean;
  readonly isRequired: boolean;
  readonly codesLeft: number;
}

export async function viewSecondFactor({ secondFactors }: FactorPorts, { person }: Identity): Promise<Outcome<SecondFactorView, Failure>> {
  const kept = await secondFactors.find(person.id);
  const isOn = kept?.isConfirmed ?? false;
  return succeed({ isOn, isRequired: await secondFactors.isRequired(), codesLeft: isOn ? (kept?.codesLeft ?? 0) : 0 });
}

/** What a device is told, by somebody who shows with the password that the place they are signed in at is theirs. It counts once a code confirms it. */
export async function beginSecondFactor(
  ports: FactorPorts,
  { person }: Identity,
  password: string,
): Promise<Outcome<{ secret: string; address: string }, Failure>> {
  const { codes, secondFactors } = ports;
  const shown = await showPassword(ports, person, password);
  if (!shown.ok) return shown;
  const secret = codes.newSecret();
  if (!(await secondFactors.begin(person.id, secret))) return fail({ code: 'second_factor_there' });
  return succeed(codes.addressOf(secret, person.email));
}

/** With a first code of the device; gives the recovery codes, which are said once and kept nowhere. */
export async function confirmSecondFactor(
  ports: FactorPorts,
  { person }: Identity,
  code: string,
  origin: string,
  now: Date,
): Promise<Outcome<{ codes: string[] }, Failure>> {
  const { secondFactors, accessLog } = ports;
  const kept = await secondFactors.find(person.id);
  if (!kept) return fail({ code: 'second_factor_missing' });
  if (kept.isConfirmed) return fail({ code: 'second_factor_there' });
  const paused = await pauseOf(ports, person);
  if (paused) return fail(paused);
  const step = ports.codes.stepOf(kept.secret, code, now);
  if (step === null) return fail({ code: 'code_wrong' });
  const made = newCodes(ports);
  // Begun anew in another window meanwhile: what the device was told is not what is kept.
  if (!(await secondFactors.confirm(person.id, { secret: kept.secret, step }, made.hashes))) return fail({ code: 'code_wrong' });
  await ports.pauses.forget(subjectOf(person));
  await accessLog.note({ ...about(person, origin), kind: 'second_factor_set_up' });
  await tellSecondFactorChanged(ports, person, 'set up');
  return succeed({ codes: made.codes });
}

/** New ones in the place of all that were there. */
export async function renewRecoveryCodes(
  ports: FactorPorts,
  { person }: Identity,
  code: string,
  origin: string,
  now: Date,
): Promise<Outcome<{ codes: string[] }, Failure>> {
  const passed = await passSecondFactor(ports, person, code, origin, now);
  if (!passed.ok) return passed;
  const made = newCodes(ports);
  await ports.secondFactors.renewCodes(person.id, made.hashes);
  await ports.accessLog.note({ ...about(person, origin), kind: 'recovery_codes_made' });
  return succeed({ codes: made.codes });
}

export async function removeSecondFactor(
  ports: FactorPorts,
  { person }: Identity,
  given: { readonly password: string; readonly code: string },
  origin: string,
  now: Date,
): Promise<Outcome<null, Failure>> {
  if (await ports.secondFactors.isRequired()) return fail({ code: 'second_factor_required' });
  const shown = await showPassword(ports, person, given.password);
  if (!shown.ok) return shown;
  const passed = await passSecondFactor(ports, person, given.code, origin, now);
  if (!passed.ok) return passed;
  return remove(ports, person, person, origin);
}

/** Of somebody who lost device and codes, by who keeps the installation; the person is told by letter. */
export async function takeSecondFactor(ports: FactorPorts, { person: keeper }: Identity, email: string, origin: string): Promise<Outcome<null, Failure>> {
  if (!keeper.keepsInstallation) return fail({ code: 'installation_not_kept' });
  const person = await ports.people.byEmail(email);
  if (!person) return fail({ code: 'not_found', thing: 'person', id: email });
  if (!person.hasSecondFactor) return fail({ code: 'second_factor_missing' });
  return remove(ports, person, keeper, origin);
}

/** Whether everybody who signs in with a password needs one. Who asks it of others has one, so that they are not the first who stands outside. */
export async function requireSecondFactor(
  ports: FactorPorts,
  { person: keeper }: Identity,
  isRequired: boolean,
  origin: string,
): Promise<Outcome<null, Failure>> {
  if (!keeper.keepsInstallation) return fail({ code: 'installation_not_kept' });
  if (isRequired && keeper.hasPassword && !keeper.hasSecondFactor) return fail({ code: 'second_factor_of_own_first' });
  await ports.secondFactors.require(isRequired);
  await ports.accessLog.note({ ...about(keeper, origin), kind: isRequired ? 'second_factor_required' : 'second_factor_left_open' });
  return succeed(null);
}

/**
 * A code of the device, or one of those for recovery; each opens once. Without one it is asked for. Wrong ones make the next try of the person wait,
 * wherever it comes from: of a million codes three fit at any moment.
 */
export async function passSecondFactor(
  ports: FactorPorts,
  person: Person,
  given: string | undefined,
  origin: string,
  now: Date,
): Promise<Outcome<null, Failure>> {
  const { codes, secrets, secondFactors, accessLog, pauses } = ports;
  const kept = await secondFactors.find(person.id);
  if (!kept?.isConfirmed) return fail({ code: 'second_factor_missing' });
  if (given === undefined) return fail({ code: 'second_factor_needed' });
  const paused = await pauseOf(ports, person);
  if (paused) return fail(paused);
  const step = codes.stepOf(kept.secret, given.replaceAll(' ', ''), now);
  if (step !== null && (await secondFactors.takeStep(person.id, step))) {
    await pauses.forget(subjectOf(person));
    return succeed(null);
  }
  if (step === null && (await secondFactors.takeCode(person.id, secrets.hashToken(asWritten(given))))) {
    await pauses.forget(subjectOf(person));
    await accessLog.note({ ...about(person, origin), kind: 'recovery_code_used', facts: { left: kept.codesLeft - 1 } });
    return succeed(null);
  }
  await accessLog.note({ ...about(person, origin), kind: 'second_factor_failed' });
  return fail({ code: 'code_wrong' });
}

async function remove(ports: FactorPorts, person: Person, by: Person, origin: string): Promise<Outcome<null, Failure>> {
  if (!(await ports.secondFactors.remove(person.id))) return fail({ code: 'second_factor_missing' });
  await ports.accessLog.note({ kind: 'second_factor_removed', actorId: by.id, personId: person.id, companyId: null, origin, facts: {} });
  await tellSecondFactorChanged(ports, person, by.id === person.id ? 'taken away' : 'taken away by who looks after the installation');
  return succeed(null);
}

async function showPassword({ people, secrets, pauses }: FactorPorts, person: Person, password: string): Promise<Outcome<null, Failure>> {
  const subject: PauseSubject = { key: `password ${person.id}`, free: freeOfPerson };
  const seconds = await pauses.take(subject);
  if (seconds > 0) return fail({ code: 'too_many_attempts', seconds });
  if (!(await secrets.matchesPassword(password, await people.passwordHash(person.id), null))) return fail({ code: 'password_wrong' });
  await pauses.forget(subject);
  return succeed(null);
}

const subjectOf = ({ id }: Person): PauseSubject => ({ key: `second factor ${id}`, free: freeOfPerson });

async function pauseOf({ pauses }: FactorPorts, person: Person): Promise<Failure | null> {
  const seconds = await pauses.take(subjectOf(person));
  return seconds > 0 ? { code: 'too_many_attempts', seconds } : null;
}

/** However it is typed: in small letters, with spaces, without the dash. */
function asWritten(code: string): string {
  const letters = code.toUpperCase().replaceAll(/[^A-Z0-9]/g, '');
  return `${letters.slice(0, 5)}-${letters.slice(5)}`;
}

function newCodes({ codes, secrets }: FactorPorts): { readonly codes: string[]; readonly hashes: Buffer[] } {
  const made = codes.newRecoveryCodes();
  return { codes: made, hashes: made.map((code) => secrets.hashToken(code)) };
}
