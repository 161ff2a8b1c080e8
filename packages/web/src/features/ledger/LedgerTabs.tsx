import { NavLink, useLocation } from 'react-router';
import styles from '../../shared/components/SheetTabs.module.css';
import { useCompany } from '../../shared/state/useCompany.ts';

/** The sides of the ledger: its balances, the accounts they stand on, and the years they fall into. */
export function LedgerTabs() {
  const company = useCompany();
  const { search } = useLocation();
  const base = `/companies/${company.id}/ledger`;
  return (
    <nav className={styles.tabs} aria-label="Ledger">
      <NavLink to={{ pathname: base, search }} end>
        Trial balance
      </NavLink>
      <NavLink to={{ pathname: `${base}/chart`, search }}>Chart of accounts</NavLink>
      <NavLink to={{ pathname: `${base}/entries`, search }}>Entries</NavLink>
      <NavLink to={{ pathname: `${base}/accounts`, search }}>Account ledger</NavLink>
      <NavLink to={{ pathname: `${base}/budgets`, search }}>Budgets</NavLink>
      <NavLink to={{ pathname: `${base}/rates`, search }}>Rates</NavLink>
      <NavLink to={{ pathname: `${base}/calendar`, search }}>Calendar</NavLink>
    </nav>
  );
}
