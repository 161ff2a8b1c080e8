import AccountTree from '@mui/icons-material/AccountTreeOutlined';
import Article from '@mui/icons-material/ArticleOutlined';
import DarkMode from '@mui/icons-material/DarkModeOutlined';
import FactCheck from '@mui/icons-material/FactCheckOutlined';
import LightMode from '@mui/icons-material/LightModeOutlined';
import MenuBook from '@mui/icons-material/MenuBookOutlined';
import TrendingUp from '@mui/icons-material/TrendingUpOutlined';
import ViewAgenda from '@mui/icons-material/ViewAgendaOutlined';
import { useColorScheme } from '@mui/material/styles';
import useMediaQuery from '@mui/material/useMediaQuery';
import type { ComponentType } from 'react';
import { Link, NavLink, useLocation } from 'react-router';
import { PersonMenu } from '../features/people/index.ts';
import { useGetProofsQuery } from '../shared/api/statementApi.ts';
import { spanSearch } from '../shared/state/spanSearch.ts';
import { useCompany } from '../shared/state/useCompany.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import styles from './LadderRail.module.css';

interface Rung {
  readonly name: string;
  readonly to: string | null;
  readonly Icon: ComponentType<{ fontSize?: 'inherit'; 'aria-hidden'?: boolean }>;
  readonly waiting?: number;
  readonly waitingFor?: string;
}

/** The six rungs in the order of the work; a rung says how many things there await the user. */
export function LadderRail() {
  const company = useCompany();
  const { span } = useSpan();
  const { search } = useLocation();
  const { data } = useGetProofsQuery({ companyId: company.id, ...span }, { skip: company.lastEntryDay === null });
  const failing = data?.proofs.filter((proof) => proof.state === 'fails').length ?? 0;
  // As the proof strip says it; without entries there is no proof, and no amount that matters.
  const toPlace = data?.proofs.find(({ name }) => name === 'coverage')?.accounts.length ?? company.unplaced;
  const base = `/companies/${company.id}`;
  const rungs: Rung[] = [
    { name: 'Ledger', to: `${base}/ledger`, Icon: MenuBook },
    { name: 'Placement', to: `${base}/placement`, Icon: AccountTree, waiting: toPlace, waitingFor: 'accounts to place' },
    { name: 'Layouts', to: `${base}/layouts`, Icon: ViewAgenda },
    { name: 'Statements', to: `${base}/statements`, Icon: Article },
    { name: 'Proofs', to: `${base}/proofs`, Icon: FactCheck, waiting: failing, waitingFor: 'proofs fail' },
    { name: 'Outlook', to: null, Icon: TrendingUp },
  ];
  return (
    <nav className={styles.rail} aria-label="Ladder">
      <Link to="/companies" className={styles.brand} aria-label="Ivory Ladder, all companies">
        Ivory
        <br />
        Ladder
      </Link>
      <ol className={styles.rungs}>
        {rungs.map(({ name, to, Icon, waiting = 0, waitingFor }) => (
          <li key={name}>
            {to === null ? (
              <span className={styles.rung} data-off title="The cash forecast has no figures yet: it needs budgets and standing entries">
                <Icon fontSize="inherit" aria-hidden />
                {name}
              </span>
            ) : (
              <NavLink to={{ pathname: to, search: spanSearch(search).toString() }} className={styles.rung ?? ''}>
                <Icon fontSize="inherit" aria-hidden />
                {name}
                {waiting > 0 && (
                  <span className={styles.waiting} title={`${waiting} ${waitingFor}`}>
                    {waiting}
                    <span className="unseen"> {waitingFor}</span>
                  </span>
                )}
              </NavLink>
            )}
          </li>
        ))}
      </ol>
      <PersonMenu role={company.roleName || company.role} />
      <ThemeSwitch />
    </nav>
  );
}

function ThemeSwitch() {
  const { mode, setMode } = useColorScheme();
  const prefersDark = useMediaQuery('(prefers-color-scheme: dark)');
  const isDark = mode === 'dark' || (mode === 'system' && prefersDark);
  return (
    <button type="button" className={styles.theme} onClick={() => setMode(isDark ? 'light' : 'dark')}>
      {isDark ? <LightMode fontSize="inherit" aria-hidden /> : <DarkMode fontSize="inherit" aria-hidden />}
      {isDark ? 'Light' : 'Dark'}
    </button>
  );
}
