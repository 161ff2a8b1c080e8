import type { Letter, Person, Ports } from '../ports/index.ts';

type LetterPorts = Pick<Ports, 'outbox'>;

/** So that nobody's password is another's without their knowing. */
export function tellPasswordChanged({ outbox }: LetterPorts, { name, email }: Person): Promise<void> {
  return outbox.post({
    recipient: email,
    subject: 'Your password was changed',
    content: `${name},\n\nyour password for Ivory Ladder was changed just now, and every place where you were signed in has been signed out.\n\nIf that was not you, ask at the sign-in for a new one at once, and tell who looks after the installation.\n`,
  });
}

/** `what`: was done to it. */
export function tellSecondFactorChanged({ outbox }: LetterPorts, { name, email }: Person, what: string): Promise<void> {
  return outbox.post({
    recipient: email,
    subject: `Your second factor was ${what}`,
    content: `${name},\n\nthe second factor of your sign-in to Ivory Ladder was ${what} just now.\n\nIf you know nothing of that, change your password at once, and tell who looks after the installation.\n`,
  });
}

export function recoveryLetter(address: string, { name, email }: Person, token: string): Letter {
  return {
    recipient: email,
    subject: 'A new password',
    content: `${name},\n\nsomebody, hopefully you, asked for a new password for Ivory Ladder. Choose it here, within an hour:\n\n${address}/join#${token}\n\nIf it was not you, do nothing: your password stays as it is.\n`,
  };
}

export function invitationLetter(
  address: string,
  { name, email, company, by, role }: { readonly name: string; readonly email: string; readonly company: string; readonly by: string; readonly role: string },
  token: string,
): Letter {
  return {
    recipient: email,
    subject: `${by} invites you to ${company}`,
    content: `${name},\n\n${by} invites you to work on ${company} in Ivory Ladder, as ${role}. Accept here, within a week:\n\n${address}/join#${token}\n\nIf you expect no such thing, do nothing.\n`,
  };
}
