export type PasswordRefused = { code: 'password_refused'; reason: 'too_short' | 'too_long' | 'too_simple' | 'names_its_owner' | 'common' };

const shortest = 12;
const longest = 128;
const fewestCharacters = 5;

/**
 * Length is what makes a password strong, not a mix of signs: 12 to 128 characters, at least 5 different ones, and
 * nothing that names whose it is (OWASP ASVS 4.0.3, 2.1.1 to 2.1.9). `names`: of the person and of their mail address.
 */
export function checkPassword(password: string, names: readonly string[]): PasswordRefused | null {
  const characters = [...password.normalize('NFC')];
  if (characters.length < shortest) return { code: 'password_refused', reason: 'too_short' };
  if (characters.length > longest) return { code: 'password_refused', reason: 'too_long' };
  const lower = password.toLowerCase();
  if (new Set(lower).size < fewestCharacters || isRun(lower)) return { code: 'password_refused', reason: 'too_simple' };
  const rest = names.reduce((left, name) => (name.length < 3 ? left : left.replaceAll(name.toLowerCase(), '')), lower);
  return rest.length < shortest / 2 ? { code: 'password_refused', reason: 'names_its_owner' } : null;
}

/** Each character is the one before it, or the next or previous of the alphabet or the digits. */
function isRun(text: string): boolean {
  const codes = [...text].map((character) => character.codePointAt(0) as number);
  const steps = codes.slice(1).filter((code, index) => Math.abs(code - (codes[index] as number)) > 1);
  return steps.length <= 1;
}
