import { useCallback, useMemo } from 'react';
import { type SpanInAddress, spanInAddress } from './spanInAddress.ts';
import { useAddress } from './useAddress.ts';
import { useCompany } from './useCompany.ts';

/** The chosen span and its comparison, which live in the address so that it brings the same view back. */
export function useSpan(): { span: SpanInAddress; choose: (change: Partial<Omit<SpanInAddress, 'adjusting'>>, beforeAdjusting?: boolean) => void } {
  const company = useCompany();
  const [params, changeAddress] = useAddress();
  const span = useMemo(() => spanInAddress(company, params), [company, params]);
  const choose = useCallback(
    (change: Partial<Omit<SpanInAddress, 'adjusting'>>, beforeAdjusting?: boolean) => {
      const isOther = change.compare !== undefined && change.compare !== 'fixed';
      // Drawn at once, so that what is asked for the other span is asked at once and not after the next frame.
      changeAddress(
        {
          ...change,
          ...(beforeAdjusting === undefined ? {} : { adjusting: beforeAdjusting ? 'before' : null }),
          ...(isOther ? { compareFrom: null, compareTo: null } : {}),
        },
        { flushSync: true },
      );
    },
    [changeAddress],
  );
  return { span, choose };
}
