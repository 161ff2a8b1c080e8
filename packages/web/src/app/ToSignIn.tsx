import { Navigate, useLocation } from 'react-router';
import type { ApiFailure } from '../api/ivoryApi.ts';

/** To the sign-in, and back here afterwards. */
export function ToSignIn() {
  const { pathname, search } = useLocation();
  return <Navigate to={`/sign-in?to=${encodeURIComponent(pathname + search)}`} replace />;
}

export function isSignedOut(error: unknown): boolean {
  return (error as ApiFailure | undefined)?.code === 'sign_in_needed';
}
