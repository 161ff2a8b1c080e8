import type { ChartAccountBody } from '@ivory-ladder/contract';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { type ReactElement, useState } from 'react';
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
    <TextField select label="Accounts" value={branch.length === 0 ? 'shown' : scope} onChange={(event) => setScope(event.target.value as 'branch' | 'shown')}>
      <MenuItem value="shown">{counted(shown.length, 'account')} shown</MenuItem>
      {branch.length > 0 && <MenuItem value="branch">{counted(branch.length, 'account')}: the chosen one and all below</MenuItem>}
    </TextField>
  );
  return { accounts: scope === 'branch' && branch.length > 0 ? branch : shown, field };
}
