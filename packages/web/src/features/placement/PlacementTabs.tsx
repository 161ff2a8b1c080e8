import { NavLink, useLocation } from 'react-router';
import { useCompany } from '../../app/useCompany.ts';
import styles from '../../components/SheetTabs.module.css';

/** Where accounts stand: in categories, and under codes. */
export function PlacementTabs() {
  const company = useCompany();
  const { search } = useLocation();
  const base = `/companies/${company.id}/placement`;
  return (
    <nav className={styles.tabs} aria-label="Placement">
      <NavLink to={{ pathname: base, search }} end>
        Categories
      </NavLink>
      {company.numbered && <NavLink to={{ pathname: `${base}/ranges`, search }}>Ranges</NavLink>}
      <NavLink to={{ pathname: `${base}/codes`, search }}>Codes and facets</NavLink>
      <NavLink to={{ pathname: `${base}/record`, search }}>Record</NavLink>
    </nav>
  );
}
