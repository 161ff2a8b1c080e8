import { useState } from 'react';
import { Link, useLocation, useNavigate } from 'react-router';
import { useListLayoutsQuery } from '../../shared/api/layoutApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './StatementScreen.module.css';

export const statementNames = {
  'balance-sheet': 'Balance sheet',
  'income-statement': 'Income statement',
  'cash-flow': 'Cash flow',
  'changes-in-equity': 'Changes in equity',
  'trial-balance': 'Trial balance by category',
} as const;
/** Short, so that all tools stand in one row. */
const tabNames: Readonly<Record<keyof typeof statementNames, string>> = {
  ...statementNames,
  'changes-in-equity': 'Equity',
  'trial-balance': 'Trial',
};
const generatedKinds = Object.keys(statementNames) as (keyof typeof statementNames)[];

/** The statements that there are: the generated ones, and every composed layout that runs. */
export function StatementNav({ kind, title }: { readonly kind: StatementKind; readonly title: string | undefined }) {
  const company = useCompany();
  const navigate = useNavigate();
  const { search } = useLocation();
  const isOwn = kind.startsWith('layout-');
  const [isLookedAt, setLookedAt] = useState(false);
  // Most statements are read without; the first figures do not wait for it.
  const { data } = useListLayoutsQuery({ companyId: company.id }, { skip: !isLookedAt && !isOwn });
  const running = data?.layouts.filter(({ inUse }) => inUse !== null) ?? [];
  // Several may have one title on the page; names tell them apart.
  const name = data?.layouts.find(({ id }) => kind === `layout-${id}`)?.name ?? title ?? 'Layout';
  const base = `/companies/${company.id}`;
  return (
    <>
      <nav className={styles.kinds} aria-label="Statements">
        {generatedKinds.map((other) => (
          <Link
            key={other}
            to={{ pathname: `${base}/statements/${other}`, search: searchFor(other, search) }}
            aria-label={statementNames[other]}
            aria-current={other === kind ? 'page' : undefined}
          >
            {tabNames[other]}
          </Link>
        ))}
      </nav>
      <ChoiceMenu
        label={isOwn ? name : 'Layouts'}
        choices={[
          ...running.map(({ id, name }, at) => ({ value: `statements/layout-${id}`, label: name, divided: at === running.length - 1 })),
          { value: 'layouts', label: running.length === 0 ? 'Compose one…' : 'All layouts…', divided: true },
          { value: 'statements/sets', label: 'Sets of statements…' },
        ]}
        chosen={isOwn ? [`statements/${kind}`] : []}
        onChoose={(value) => void navigate({ pathname: `${base}/${value}`, search: withoutCell(search) })}
        onOpen={() => setLookedAt(true)}
      />
    </>
  );
}

/** A budget knows no openings and directions; beside balances it stands where somebody asks for it. */
function searchFor(kind: string, search: string): string {
  const params = new URLSearchParams(withoutCell(search));
  if (kind !== 'income-statement' && params.get('plan') === 'budget') for (const key of ['plan', 'budget']) params.delete(key);
  return params.toString();
}

export function withoutCell(search: string): string {
  const params = new URLSearchParams(search);
  for (const key of ['cell', 'open', 'shut', 'line']) params.delete(key);
  return params.toString();
}
