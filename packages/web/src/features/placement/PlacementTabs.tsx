import { memo } from 'react';
import { NavLink, useLocation } from 'react-router';
import styles from '../../shared/components/SheetTabs.module.css';
import { useCompany } from '../../shared/state/useCompany.ts';
import { ClassificationMenu } from './ClassificationMenu.tsx';

/** Where accounts stand: in the categories of one classification or another, and under codes. */
export const PlacementTabs = memo(function PlacementTabs() {
  const company = useCompany();
  const { search, pathname } = useLocation();
  const base = `/companies/${company.id}/placement`;
  return (
    <div className={styles.head}>
      <nav className={styles.tabs} aria-label="Placement">
        <NavLink to={{ pathname: base, search }} end>
          Categories
        </NavLink>
        {company.numbered && <NavLink to={{ pathname: `${base}/ranges`, search }}>Ranges</NavLink>}
        <NavLink to={{ pathname: `${base}/coverage`, search }}>Coverage</NavLink>
        <NavLink to={{ pathname: `${base}/codes`, search }}>Codes</NavLink>
        <NavLink to={{ pathname: `${base}/record`, search }}>Record</NavLink>
      </nav>
      {!pathname.endsWith('/codes') && <ClassificationMenu />}
    </div>
  );
});
