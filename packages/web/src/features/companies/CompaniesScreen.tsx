import Button from '@mui/material/Button';
import { Link } from 'react-router';
import { useListCompaniesQuery } from '../../shared/api/companyApi.ts';
import { useGetSessionQuery } from '../../shared/api/peopleApi.ts';
import { doorOf } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { PersonMenu } from '../people/index.ts';
import styles from './CompaniesScreen.module.css';

/** The companies of this installation, and the way to a new one. */
export function CompaniesScreen() {
  const { data, error } = useListCompaniesQuery();
  const { data: session } = useGetSessionQuery();
  const companies = data?.companies ?? [];
  const mayAdd = session?.person?.mayAddCompanies ?? false;
  const door = doorOf(error);
  if (door) return door;
  return (
    <main className={styles.screen}>
      <header className={styles.head}>
        <h1 className={styles.brand}>Ivory Ladder</h1>
        <p>From a chart of accounts to statements that tie.</p>
        <PersonMenu />
      </header>
      <section className={styles.sheet} aria-labelledby="companies">
        <div className={styles.titles}>
          <h2 id="companies">Companies</h2>
          {mayAdd && (
            <Button variant="contained" component={Link} to="/companies/new">
              New company…
            </Button>
          )}
        </div>
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        {data && companies.length === 0 && (
          <p className={styles.quiet}>
            {mayAdd
              ? 'There is no company yet. Begin one with a chart for your trade, or with categories alone and the trial balance of your ledger.'
              : 'You work in no company yet. An administrator of one can add you.'}
          </p>
        )}
        <ul className={styles.list}>
          {companies.map(({ id, name, currency, role, roleName }) => (
            <li key={id}>
              <Link to={`/companies/${id}`}>
                <span>{name}</span>
                <span className={styles.quiet}>
                  {currency} · {roleName || role}
                </span>
              </Link>
            </li>
          ))}
        </ul>
      </section>
    </main>
  );
}
