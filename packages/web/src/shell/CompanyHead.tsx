import { monthNames } from '@ivory-ladder/core';
import ExpandMore from '@mui/icons-material/ExpandMore';
import Divider from '@mui/material/Divider';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { useListCompaniesQuery } from '../shared/api/companyApi.ts';
import { useCompany } from '../shared/state/useCompany.ts';
import styles from './CompanyHead.module.css';

/** Which company is open, and the way to the others. */
export function CompanyHead() {
  const company = useCompany();
  const navigate = useNavigate();
  const [anchor, setAnchor] = useState<HTMLElement | null>(null);
  const { data } = useListCompaniesQuery(undefined, { skip: anchor === null });
  const go = (to: string) => {
    setAnchor(null);
    void navigate(to);
  };
  return (
    <>
      <button
        type="button"
        className={styles.head}
        aria-haspopup="menu"
        aria-expanded={anchor !== null}
        onClick={(event) => setAnchor(event.currentTarget)}
        title="Another company"
      >
        <span className={styles.name}>
          {company.name}
          <ExpandMore fontSize="inherit" aria-hidden />
        </span>
        <span className={styles.facts}>
          {company.currency} · fiscal year from {monthNames[company.fiscalYearFirstMonth - 1]}
        </span>
      </button>
      <Menu anchorEl={anchor} open={anchor !== null} onClose={() => setAnchor(null)}>
        {(data?.companies ?? []).map(({ id, name, currency }) => (
          <MenuItem key={id} selected={id === company.id} onClick={() => go(`/companies/${id}`)}>
            {name} ({currency})
          </MenuItem>
        ))}
        <Divider />
        {company.permissions.includes('see_papers') && <MenuItem onClick={() => go(`/companies/${company.id}/history`)}>History of {company.name}</MenuItem>}
        {company.permissions.includes('keep_people_and_settings') && (
          <MenuItem onClick={() => go(`/companies/${company.id}/people`)}>People of {company.name}</MenuItem>
        )}
        {company.permissions.includes('keep_people_and_settings') && (
          <MenuItem onClick={() => go(`/companies/${company.id}/settings`)}>Settings of {company.name}</MenuItem>
        )}
        <MenuItem onClick={() => go('/companies')}>All companies</MenuItem>
      </Menu>
    </>
  );
}
