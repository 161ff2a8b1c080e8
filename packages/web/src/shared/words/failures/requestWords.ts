import { counted } from '../counted.ts';
import { momentText } from '../momentText.ts';
import { permissionWords } from '../permissionWords.ts';
import type { FailureWords } from './failureWords.ts';

/** Words for what any request may meet, whatever it is about. */
export const requestWords = {
  not_found: ({ thing, id }) => `There is no ${thing} ${id} here.`,
  route_unknown: () => 'The server knows nothing of this. It may be of another version than this page; load the page anew.',
  request_invalid: ({ issues }) => `This was not accepted: ${issues.map(({ path, message }) => `${path} ${message}`.trim()).join('; ')}.`,
  host_refused: () => 'The server is not meant to be reached under this address.',
  origin_refused: () => 'This did not come from a page of the server, so nothing was done.',
  header_missing: ({ header }) => `The header ${header} is missing, so nothing was done.`,
  address_too_long: () => 'The address is too long for the server. Choose fewer columns or values.',
  sign_in_needed: () => 'You are signed out. Sign in again in another tab, then try once more; what you typed here is kept.',
  permission_needed: ({ needs }) => `Your role in this company may not ${permissionWords[needs]}. An administrator can give you another.`,
  asked_for_much: ({ seconds }) => `You asked for much at once. Wait ${waitText(seconds)}, then try again.`,
  too_many_attempts: ({ seconds }) => `Too many attempts. Wait ${waitText(seconds)}, then try again.`,
  version_conflict: ({ last }) =>
    last
      ? `${last.by} changed this meanwhile, on ${momentText(last.at)}. Nothing was overwritten; what you see now is the version of ${last.by}.`
      : 'Somebody else has changed this meanwhile. Nothing was overwritten; what you see now is their version.',
  idempotency_key_reused: () => 'This posting was changed after it had been sent. Look at it again and post it anew.',
  busy: () => 'The ledger is very busy. Nothing was changed; try again in a moment.',
  database_lost: () => 'The database went away in between. Try again in a moment: what was done already is not done twice.',
  database_hangs: () => 'The database has not answered for ten seconds. Try again in a moment: what was done already is not done twice.',
  storage_full: () => 'The database has no room left. Nothing was changed; whoever looks after the server has to make room.',
  share_of_disk_full: ({ of, megabytes }) =>
    of === 'company'
      ? `The files of this company take all of the ${megabytes} MB that it may have. Take away some that are attached, or ask whoever looks after the server for more.`
      : `You handed in ${megabytes} MB within a day, which is as much as one person may. Go on tomorrow, or ask whoever looks after the server for more.`,
  internal: () => 'Something went wrong on the server. Nothing was changed.',
} satisfies Partial<FailureWords>;

function waitText(seconds: number): string {
  if (!(seconds > 0)) return 'a moment';
  return seconds < 90 ? counted(seconds, 'second') : counted(Math.ceil(seconds / 60), 'minute');
}
