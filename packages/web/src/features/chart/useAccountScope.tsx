import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type ReactElement, useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { counted } from '../../shared/words/counted.ts';

interface AccountScope {
  readonly accounts: readonly ChartAccountBody[];
  readonly field: ReactElement;
}

/**
 * Which accounts something is done with: all that the table shows, or the chosen one and all below it. One alone is
 * seldom meant, it is changed where it stands.
 */
export function useAccountScope(shown: readonly ChartAccountBody[], branch: readonly ChartAccountBody[]): AccountScope {
  const [scope, setScope] = useState<'branch' | 'shown'>(branch.length > 1 ? 'branch' : 'shown');
  const field = (
    <SelectTextField label="Accounts" value={branch.length === 0 ? 'shown' : scope} onChange={(event) => setScope(event.target.value as 'branch' | 'shown')}>
      <option value="shown">{counted(shown.length, 'account')} shown</option>
      {branch.length > 0 && <option value="branch">{counted(branch.length, 'account')}: the chosen one and all below</option>}
    </SelectTextField>
  );
  return { accounts: scope === 'branch' && branch.length > 0 ? branch : shown, field };
}
