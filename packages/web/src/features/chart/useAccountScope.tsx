import type { ChartAccountBody } from '@ivory-ladder/contract';
import { type ReactElement, useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { counted } from '../../shared/words/counted.ts';

interface AccountScope {
  readonly accounts: readonly ChartAccountBody[];
  readonly field: ReactElement;
}

type Scope = 'none' | 'block' | 'branch' | 'shown';

/**
 * Which accounts something is done with: rows selected in the table, the chosen one and all below it, or all that the table shows, which somebody has to say: nobody means a whole
 * chart by not having chosen.
 */
export function useAccountScope(shown: readonly ChartAccountBody[], branch: readonly ChartAccountBody[], block: readonly ChartAccountBody[]): AccountScope {
  const [chosen, setChosen] = useState<Scope>(block.length > 0 ? 'block' : branch.length > 0 ? 'branch' : 'none');
  const [selected] = useState(block);
  const scope = chosen === 'branch' && branch.length === 0 ? 'none' : chosen;
  const field = (
    <SelectTextField label="Accounts" value={scope} onChange={(event) => setChosen(event.target.value as Scope)}>
      {scope === 'none' && <option value="none">choose which</option>}
      {selected.length > 0 && <option value="block">{counted(selected.length, 'account')} selected</option>}
      {branch.length > 0 && (
        <option value="branch">{branch.length === 1 ? 'the chosen one' : `${counted(branch.length, 'account')}: the chosen one and all below`}</option>
      )}
      <option value="shown">{counted(shown.length, 'account')} shown</option>
    </SelectTextField>
  );
  return { accounts: scope === 'block' ? selected : scope === 'branch' ? branch : scope === 'shown' ? shown : [], field };
}
