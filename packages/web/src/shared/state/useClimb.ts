import { useCallback } from 'react';
import { useAddress } from './useAddress.ts';

/** Opens the climb of an account over whatever screen is shown; it stands in the address. */
export function useClimb(): (accountId: number) => void {
  const [, change] = useAddress();
  return useCallback((accountId: number) => change({ climb: String(accountId) }), [change]);
}
