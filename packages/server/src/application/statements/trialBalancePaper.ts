import { type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { Ports, TrialBalancePaper, TrialBalanceView } from '../ports/index.ts';
import type { SpanChoice } from './prepareStatement.ts';
import { viewAdjustments } from './viewAdjustments.ts';
import { viewTrialBalance } from './viewTrialBalance.ts';

/** As on the screen: accounts without amounts only where asked for. */
export async function trialBalancePaper(
  ports: Ports,
  access: Access,
  { view, zero, ...choice }: SpanChoice & { readonly view: 'movements' | 'adjusted'; readonly zero: boolean },
): Promise<Outcome<TrialBalancePaper, Failure>> {
  const seen = await viewTrialBalance(ports, access, choice);
  if (!seen.ok) return seen;
  const adjusted = view === 'adjusted' ? await viewAdjustments(ports, access, choice.to) : null;
  if (adjusted && !adjusted.ok) return adjusted;
  return succeed({ ...seen.value, lines: zero ? seen.value.lines : seen.value.lines.filter(hasAmount), adjusted: adjusted?.value ?? null });
}

function hasAmount({ opening, debit, credit, closing, comparative }: TrialBalanceView['lines'][number]): boolean {
  return opening !== 0n || debit !== 0n || credit !== 0n || closing !== 0n || (comparative ?? 0n) !== 0n;
}
