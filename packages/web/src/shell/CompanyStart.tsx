import { Navigate, useLocation } from 'react-router';
import { useCompany } from '../shared/state/useCompany.ts';

/** A company with figures opens on its income statement, an empty one where figures come in. */
export function CompanyStart() {
  const company = useCompany();
  const { search } = useLocation();
  return <Navigate to={{ pathname: company.lastEntryDay === null ? 'ledger' : 'statements/income-statement', search }} replace />;
}
