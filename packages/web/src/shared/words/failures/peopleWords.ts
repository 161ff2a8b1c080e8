import type { FactsOf } from '@ivory-ladder/contract';
import { counted } from '../counted.ts';
import { permissionWords } from '../permissionWords.ts';
import type { FailureWords } from './failureWords.ts';

const passwords: Readonly<Record<FactsOf<'password_refused'>['reason'], string>> = {
  too_short: 'The password needs at least 12 characters. A sentence is easy to remember.',
  too_long: 'The password has more than 128 characters.',
  too_simple: 'The password is too simple: a run of keys or the same few characters.',
  common: 'This password is one of those that everybody tries first. Choose something else.',
  names_its_owner: 'The password is little more than your name or address. Choose something else.',
};

/** Words about signing in, links, roles and what one may. */
export const peopleWords = {
  sign_in_refused: () => 'E-mail and password do not belong together. If the password is lost, ask for a new one below.',
  second_factor_needed: () => 'Give the code that your device shows now, or one of your recovery codes.',
  code_wrong: () => 'This code does not open: it is wrong, of another moment, or was used already. Take the one that the device shows now.',
  second_factor_to_set_up: () => 'This installation asks for a second factor. Set yours up first; everything else is open then.',
  second_factor_required: () => 'This installation asks everybody for a second factor, so yours stays.',
  second_factor_there: () => 'There is a second factor already. Take it away before another is set up.',
  second_factor_missing: () => 'There is no second factor here.',
  second_factor_of_own_first: () => 'Set up your own second factor first, so that you do not stand outside.',
  password_wrong: () => 'The present password is not right.',
  password_refused: ({ reason }) => passwords[reason],
  beyond_own_permissions: ({ permissions }) =>
    `You cannot give or take away what you may not do yourself: ${permissions.map((permission) => permissionWords[permission]).join(', ')}.`,
  role_name_taken: ({ name }) => `There is a role ${name} already.`,
  role_in_use: ({ name, holders }) =>
    `The role ${name} cannot go: ${counted(holders, 'person has it or is invited to it', 'people have it or are invited to it')}. Give them another first.`,
  adding_companies_refused: () => 'You may not add companies here. The first administrator of the installation may.',
  link_unusable: ({ reason }) =>
    reason === 'used'
      ? 'This link was used already. Sign in with the password chosen then, or ask an administrator for a new link.'
      : reason === 'expired'
        ? 'This link has expired. Ask an administrator for a new one.'
        : reason === 'revoked'
          ? 'What this link was made for has changed since, so it opens nothing any more. Ask an administrator for a new one.'
          : 'This link was used or withdrawn, a newer one has taken its place, or it is not one of ours. Ask an administrator for a new one.',
  link_needs_name: () => 'Give your name and e-mail address as well.',
  person_is_member: ({ email }) => `A person with the address ${email} works here already.`,
  person_is_invited: ({ email }) => `${email} was invited already. Make a new link there if the first was lost.`,
  invitation_of_another: ({ email }) => `This invitation is for ${email}. Sign out, and sign in with that address.`,
  account_there_already: () => 'There is an account with this address. Sign in with it, then accept.',
  installation_not_kept: () => 'Only whoever looks after the installation sees this.',
  person_of_other_companies: () =>
    'This person also works in companies of which you are not administrator, so a new link must come from an administrator of all of them.',
  last_administrator: () => 'The company needs an administrator. Make somebody else one first.',
  own_right_kept: () => 'This right is taken from you by another who has it, never by yourself.',
} satisfies Partial<FailureWords>;
