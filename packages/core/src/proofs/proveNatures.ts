import type { Day } from '../calendar/day.ts';
import type { Proof, ProofAccount } from './proof.ts';

/** What moved on accounts whose categories do not say of what nature their cash flows are (IAS 7.10): to be looked at, with its amount. */
export function proveNatures(day: Day, moved: readonly Pick<ProofAccount, 'account' | 'net'>[]): Proof {
  const accounts = moved.filter(({ net }) => net !== 0n).map((one) => ({ ...one, reason: 'without_nature' }));
  const difference = accounts.reduce((sum, { net }) => sum + (net < 0n ? -net : net), 0n);
  const figures = [{ name: 'moved_without_nature', day, net: difference }];
  return { name: 'natures_said', state: accounts.length === 0 ? 'holds' : 'to_look_at', difference, figures, accounts };
}
