import type { ReactElement } from 'react';
import { Navigate, useLocation } from 'react-router';
import type { ApiFailure } from '../api/ivoryApi.ts';

function useHere(): string {
  const { pathname, search } = useLocation();
  return encodeURIComponent(pathname + search);
}

/** To the sign-in, and back here afterwards. */
export function ToSignIn() {
  return <Navigate to={`/sign-in?to=${useHere()}`} replace />;
}

/** To where a second factor is set up, and back here afterwards. */
function ToSecondFactor() {
  return <Navigate to={`/second-factor?to=${useHere()}`} replace />;
}

/** Where one has to go before what was refused opens; `null` where that is not why. */
export function doorOf(failure: unknown): ReactElement | null {
  const code = (failure as ApiFailure | undefined)?.code;
  return code === 'sign_in_needed' ? <ToSignIn /> : code === 'second_factor_to_set_up' ? <ToSecondFactor /> : null;
}
