import { useCallback } from 'react';
import { type NavigateOptions, useSearchParams } from 'react-router';

/** What of the address changes; nothing or an empty text takes a part out. */
export type AddressChange = Readonly<Record<string, string | null | undefined>>;

/**
 * What an address asks of its screen, and a way to change some of it. A change begins from the address itself: what was
 * drawn last may be a change behind, which would be lost.
 */
export function useAddress(): readonly [params: URLSearchParams, change: (changes: AddressChange, options?: NavigateOptions) => void] {
  const [params, setParams] = useSearchParams();
  const change = useCallback(
    (changes: AddressChange, options?: NavigateOptions) => {
      const next = new URLSearchParams(window.location.search);
      for (const [key, value] of Object.entries(changes)) {
        if (value) next.set(key, value);
        else next.delete(key);
      }
      setParams(next, options);
    },
    [setParams],
  );
  return [params, change];
}
