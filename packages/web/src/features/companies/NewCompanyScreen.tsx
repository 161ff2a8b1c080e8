import { type NewChart, starterCategories, starterCharts, toNewChart, withoutNumbers } from '@ivory-ladder/core';
import { useMemo, useState } from 'react';
import { Link } from 'react-router';
import { useListCompaniesQuery } from '../../shared/api/companyApi.ts';
import { useGetSessionQuery } from '../../shared/api/peopleApi.ts';
import { doorOf, ToSignIn } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import type { Beginning } from './beginning.ts';
import { ChartPreview } from './ChartPreview.tsx';
import { NewCompanyForm } from './NewCompanyForm.tsx';
import styles from './NewCompanyScreen.module.css';

const bare: NewChart = toNewChart({ categories: starterCategories, accounts: { asset: [], liability: [], equity: [], income: [], expense: [] } });

/** A company begun: name, currency and year, and a chart to begin with, seen with its statements before it is chosen. */
export function NewCompanyScreen() {
  const { data: session, error } = useGetSessionQuery();
  const { data: companies } = useListCompaniesQuery();
  const [beginning, setBeginning] = useState<Beginning>({ kind: 'categories' });
  const [numbered, setNumbered] = useState(true);
  const chart = useMemo(() => {
    if (beginning.kind === 'copy') return null;
    const starter = beginning.kind === 'starter' ? starterCharts.find(({ key }) => key === beginning.key) : undefined;
    const planted = starter ? toNewChart(starter) : bare;
    return numbered ? planted : withoutNumbers(planted);
  }, [beginning, numbered]);
  const door = doorOf(error);
  if (door || session?.person === null) return door ?? <ToSignIn />;
  if (!session) return null;
  if (!session.person?.mayAddCompanies)
    return (
      <main className={styles.screen}>
        <p role="alert">{describeFailure({ code: 'adding_companies_refused', facts: {} })}</p>
        <Link to="/companies">Back to the companies</Link>
      </main>
    );
  const copied = companies?.companies.find(({ id }) => beginning.kind === 'copy' && id === beginning.companyId);
  return (
    <main className={styles.screen}>
      <header className={styles.head}>
        <Link to="/companies" className={styles.brand}>
          Ivory Ladder
        </Link>
        <h1>New company</h1>
      </header>
      <div className={styles.columns}>
        <section className={styles.sheet} aria-label="The company">
          <NewCompanyForm beginning={beginning} onBegin={setBeginning} numbered={numbered} onNumbered={setNumbered} companies={companies?.companies ?? []} />
        </section>
        <section className={styles.sheet} aria-label="What it begins with">
          {chart && <ChartPreview chart={chart} hasAccounts={beginning.kind === 'starter'} />}
          {copied && (
            <>
              <h2>A copy of {copied.name}</h2>
              <p className={styles.quiet}>
                Its accounts with their order, nesting, roles and purposes, its categories and places, its number scheme and what is set for its layouts. No
                entry, no balance, no person and no history come along.
              </p>
            </>
          )}
        </section>
      </div>
    </main>
  );
}
