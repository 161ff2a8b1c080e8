import { checkPassword } from '@ivory-ladder/core';
import type { Failure } from '../failure.ts';
import type { Ports } from '../ports/index.ts';

/** Why a password will not do for somebody of this name and address; `null` where it will. */
export function passwordRefusal({ secrets }: Pick<Ports, 'secrets'>, password: string, { name, email }: { name: string; email: string }): Failure | null {
  const names = [...name.split(/\s+/), email.split('@')[0] ?? '', ...email.split(/[@.]/), 'ivory', 'ladder'];
  return checkPassword(password, names) ?? (secrets.isCommonPassword(password) ? { code: 'password_refused', reason: 'common' } : null);
}
