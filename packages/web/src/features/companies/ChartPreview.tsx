import { type NewChart, previewStatements, type StatementRow } from '@ivory-ladder/core';
import { useMemo, useState } from 'react';
import { accountRoleNames } from '../../shared/words/accountRoleWords.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './ChartPreview.module.css';

const views = { chart: 'Chart', balance_sheet: 'Balance sheet', income_statement: 'Income statement' } as const;
type View = keyof typeof views;

/** A chart as a tree of categories with their accounts, and the statements it will have. */
export function ChartPreview({ chart, hasAccounts }: { chart: NewChart; hasAccounts: boolean }) {
  const [view, setView] = useState<View>('chart');
  const statements = useMemo(() => (hasAccounts ? previewStatements(chart) : null), [chart, hasAccounts]);
  return (
    <>
      <div className={styles.tabs} role="tablist" aria-label="What it begins with">
        {(Object.keys(views) as View[])
          .filter((value) => value === 'chart' || statements)
          .map((value) => (
            <button key={value} type="button" role="tab" aria-selected={view === value} onClick={() => setView(value)}>
              {views[value]}
            </button>
          ))}
        <span className={styles.count}>
          {counted(chart.categories.length, 'category', 'categories')}, {hasAccounts ? counted(chart.accounts.length, 'account') : 'no accounts yet'}
        </span>
      </div>
      {view === 'chart' || !statements ? <CategoryList chart={chart} /> : <StatementOutline rows={statements[view].rows} />}
    </>
  );
}

const elementNames = { asset: 'Assets', liability: 'Liabilities', equity: 'Equity', income: 'Income', expense: 'Expenses' } as const;

function CategoryList({ chart }: { chart: NewChart }) {
  const depths = new Map<number | null, number>([[null, -1]]);
  for (const { key, parentKey } of chart.categories) depths.set(key, (depths.get(parentKey) ?? -1) + 1);
  const held = new Map<number, NewChart['accounts'][number][]>();
  const byKey = new Map(chart.accounts.map((account) => [account.key, account]));
  for (const { accountKey, categoryKey } of chart.places)
    held.set(categoryKey, [...(held.get(categoryKey) ?? []), byKey.get(accountKey) as NewChart['accounts'][number]]);
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard too
    <section className={styles.list} tabIndex={0} aria-label="Categories and accounts">
      {(Object.keys(elementNames) as (keyof typeof elementNames)[]).map((element) => (
        <section key={element}>
          <h3>{elementNames[element]}</h3>
          {chart.categories
            .filter((category) => category.element === element)
            .map((category) => (
              <div key={category.key} style={{ paddingLeft: (depths.get(category.key) ?? 0) * 18 }}>
                <p className={styles.category}>{category.name}</p>
                <ul className={styles.accounts}>
                  {(held.get(category.key) ?? []).map((account) => (
                    <li key={account.key} title={account.purpose || undefined}>
                      {account.number !== '' && <span className={styles.number}>{account.number}</span>}
                      <span>
                        {account.name}
                        {account.role && <small> · {accountRoleNames[account.role]}</small>}
                      </span>
                    </li>
                  ))}
                </ul>
              </div>
            ))}
        </section>
      ))}
    </section>
  );
}

function StatementOutline({ rows }: { rows: readonly StatementRow[] }) {
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must scroll by keyboard too
    <section className={styles.list} tabIndex={0} aria-label="Lines of the statement">
      <ol className={styles.outline}>
        {rows.map(({ key, caption, depth, role }) => (
          <li key={key} data-role={role} style={{ paddingLeft: depth * 18 }}>
            <span>{caption}</span>
            {role !== 'heading' && <span aria-hidden>–</span>}
          </li>
        ))}
      </ol>
    </section>
  );
}
