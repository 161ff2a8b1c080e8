import { Link, useSearchParams } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useGetSessionQuery, useListCompaniesQuery } from '../../api/ivoryApi.ts';
import { PersonMenu } from '../../app/PersonMenu.tsx';
import { isSignedOut, ToSignIn } from '../../app/ToSignIn.tsx';
import styles from './CompaniesScreen.module.css';
import { NewCompanyForm } from './NewCompanyForm.tsx';

/** The companies of this installation, and the way to a new one. */
export function CompaniesScreen() {
  const { data, error } = useListCompaniesQuery();
  const [params] = useSearchParams();
  const { data: session } = useGetSessionQuery();
  const companies = data?.companies ?? [];
  const mayAdd = session?.person?.mayAddCompanies ?? false;
  if (isSignedOut(error)) return <ToSignIn />;
  return (
    <main className={styles.screen}>
      <header className={styles.head}>
        <h1 className={styles.brand}>Ivory Ladder</h1>
        <p>From a chart of accounts to statements that tie.</p>
        <PersonMenu />
      </header>
      <div className={styles.columns}>
        <section className={styles.sheet} aria-labelledby="companies">
          <h2 id="companies">Companies</h2>
          {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
          {data && companies.length === 0 && (
            <p className={styles.quiet}>
              {mayAdd
                ? 'There is no company yet. Name one at the right; it gets a category tree to begin with, and you bring in its trial balance next.'
                : 'You work in no company yet. An administrator of one can add you.'}
            </p>
          )}
          <ul className={styles.list}>
            {companies.map(({ id, name, currency, role }) => (
              <li key={id}>
                <Link to={`/companies/${id}`}>
                  <span>{name}</span>
                  <span className={styles.quiet}>
                    {currency} · {role}
                  </span>
                </Link>
              </li>
            ))}
          </ul>
        </section>
        {mayAdd && (
          <section className={styles.sheet} aria-labelledby="new-company">
            <h2 id="new-company">New company</h2>
            <NewCompanyForm isAsked={params.has('new')} />
          </section>
        )}
      </div>
    </main>
  );
}
