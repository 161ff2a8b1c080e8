import type { StoredLayoutOptions } from '@ivory-ladder/contract';
import { useDispatch } from 'react-redux';
import { Link, useLocation } from 'react-router';
import { useGetLayoutOptionsQuery, useGetProofsQuery, useLazyCheckLayoutOptionsQuery, useSetLayoutOptionsMutation } from '../../shared/api/statementApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { effectSentence } from '../../shared/words/effectWords.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { CashFlowArticle } from './CashFlowArticle.tsx';
import styles from './LayoutsScreen.module.css';
import { OwnLayouts } from './OwnLayouts.tsx';

type Subtotal = StoredLayoutOptions['subtotalsOff'][number];

const subtotals: readonly { value: Subtotal; name: string; after: string }[] = [
  { value: 'gross_profit', name: 'Gross profit', after: 'after cost of sales' },
  { value: 'operating_profit', name: 'Operating profit', after: 'after other operating income and expense' },
  { value: 'profit_before_financing_and_tax', name: 'Profit before financing and income tax', after: 'after investing' },
  { value: 'profit_before_tax', name: 'Profit before tax', after: 'after financing' },
  { value: 'profit_from_continuing', name: 'Profit from continuing operations', after: 'before discontinued operations' },
];

const orders: readonly { value: StoredLayoutOptions['order']; name: string; what: string }[] = [
  { value: 'by_term', name: 'current and non-current apart', what: 'each with a total' },
  { value: 'most_liquid_first', name: 'by liquidity, most liquid first', what: 'cash first, what is due first' },
  { value: 'least_liquid_first', name: 'by liquidity, least liquid first', what: 'non-current first, cash last' },
];

/** Layouts that were composed; those that follow the categories by themselves, and what can be set for those. */
export function LayoutsScreen() {
  const company = useCompany();
  const mayCompose = useMay('keep_layouts');
  const dispatch = useDispatch();
  const { span } = useSpan();
  const { search } = useLocation();
  const { data } = useGetLayoutOptionsQuery({ companyId: company.id });
  const { data: proofs } = useGetProofsQuery({ companyId: company.id, ...span }, { skip: company.lastEntryDay === null });
  const [set] = useSetLayoutOptionsMutation();
  const [lookAt] = useLazyCheckLayoutOptionsQuery();
  const coverage = proofs?.proofs.find(({ name }) => name === 'coverage');
  const inScope = coverage?.figures.find(({ name }) => name === 'accounts_in_scope')?.net;
  const change = async (changes: Partial<StoredLayoutOptions>) => {
    if (!data) return;
    const { version, ...former } = data;
    const result = await set({ companyId: company.id, body: { ...former, version, ...changes } });
    if (result.error !== undefined) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(result.error) }));
    dispatch(noticeGiven({ tone: 'done', text: 'Applied: the statements follow at once.' }));
    // The lines that the way back would change are those that were changed.
    const effect = await lookAt({ companyId: company.id, body: { options: former, from: span.from, to: span.to } });
    if (effect.data) dispatch(noticeGiven({ tone: 'done', text: `Applied. ${effectSentence(effect.data)}` }));
  };
  if (!data) return null;
  return (
    <section className={styles.sheet} aria-labelledby="layouts-title">
      <h1 id="layouts-title">Layouts</h1>
      <p className={styles.quiet}>
        The statements follow the categories live: a category added, renamed, moved or filled shows at once, and nothing has to be made anew.
      </p>
      {coverage && (
        <p className={coverage.state === 'holds' ? styles.holds : styles.odd}>
          {coverage.state === 'holds'
            ? `✓ Coverage: ${inScope} of ${inScope} accounts stand exactly once`
            : `▲ Coverage: ${coverage.accounts.length} of ${inScope} accounts stand in no line`}
        </p>
      )}
      <OwnLayouts />
      <p>
        <Link to={{ pathname: `/companies/${company.id}/layouts/columns`, search }}>Column plans</Link>
        <span className={styles.quiet}> say what stands across the page: any layout runs with any of them. </span>
        <Link to={{ pathname: `/companies/${company.id}/statements/sets`, search }}>Sets</Link>
        <span className={styles.quiet}> run several statements for one date, prove them together, and print them.</span>
      </p>
      <div className={styles.columns}>
        <article>
          <h2>
            <Link to={{ pathname: `/companies/${company.id}/statements/income-statement`, search }}>Income statement</Link>
          </h2>
          <p className={styles.quiet}>Income and expense together, through the steps of their categories. Subtotals:</p>
          {subtotals.map(({ value, name, after }) => (
            <label key={value} className={styles.choice}>
              <input
                type="checkbox"
                disabled={!mayCompose}
                checked={!data.subtotalsOff.includes(value)}
                onChange={(event) =>
                  void change({ subtotalsOff: event.target.checked ? data.subtotalsOff.filter((other) => other !== value) : [...data.subtotalsOff, value] })
                }
              />
              <span>
                {name}
                <small>{after}</small>
              </span>
            </label>
          ))}
          <p className={styles.quiet}>A subtotal equal to the one before it is left out by itself. Profit for the period always stands.</p>
        </article>
        <article>
          <h2>
            <Link to={{ pathname: `/companies/${company.id}/statements/balance-sheet`, search }}>Balance sheet</Link>
          </h2>
          <p className={styles.quiet}>Contra categories are deducted, with a net amount. Assets and liabilities stand:</p>
          {orders.map(({ value, name, what }) => (
            <label key={value} className={styles.choice}>
              <input type="radio" name="order" disabled={!mayCompose} checked={data.order === value} onChange={() => void change({ order: value })} />
              <span>
                {name}
                <small>{what}</small>
              </span>
            </label>
          ))}
          <p className={styles.quiet}>The result of the year stands:</p>
          {(['own_line', 'within_retained_earnings'] as const).map((result) => (
            <label key={result} className={styles.choice}>
              <input type="radio" name="result" disabled={!mayCompose} checked={data.result === result} onChange={() => void change({ result })} />
              <span>
                {result === 'own_line' ? 'on its own line in equity' : 'within retained earnings'}
                <small>{result === 'own_line' ? 'retained earnings show completed years only' : 'one figure, as after closing'}</small>
              </span>
            </label>
          ))}
        </article>
        <CashFlowArticle options={data.cashFlow} disabled={!mayCompose} onChange={(cashFlow) => void change({ cashFlow })} />
        <article>
          <h2>
            <Link to={{ pathname: `/companies/${company.id}/statements/changes-in-equity`, search }}>Changes in equity</Link>
          </h2>
          <p className={styles.quiet}>
            Columns are the categories of equity; profit stands with retained earnings. What owners put in and took out is told by the side it was posted on,
            what moves in categories of other comprehensive income, and what entries on equity alone moved between its accounts, are lines of their own.
          </p>
        </article>
        <article>
          <h2>
            <Link to={{ pathname: `/companies/${company.id}/statements/trial-balance`, search }}>Trial balance by category</Link>
          </h2>
          <p className={styles.quiet}>All five elements by their categories, each on its own side; debits less credits are nil.</p>
        </article>
      </div>
    </section>
  );
}
