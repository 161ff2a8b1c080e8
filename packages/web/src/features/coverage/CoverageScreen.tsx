import { formatAmount, isEmptyDraft } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { useDispatch } from 'react-redux';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { useGetProofsQuery } from '../../shared/api/statementApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../shared/components/treegrid/TreeGrid.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAccountMenu } from '../../shared/state/useAccountMenu.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { counted } from '../../shared/words/counted.ts';
import { PlacementTabs } from '../placement/index.ts';
import { RehearsalPanel, usePlacement } from '../rehearsal/index.ts';
import { CoveragePanel } from './CoveragePanel.tsx';
import { CoverageScopes } from './CoverageScopes.tsx';
import styles from './CoverageScreen.module.css';
import { coverageColumns, type PlacedRow } from './coverageColumns.tsx';
import { type Concern, type CoveredScope, faultsOf, layoutScopes, listScopes, placementScopes } from './coverageModel.ts';
import { concernNames, concernNamesOfLists } from './findingText.ts';

const concerns: readonly Concern[] = ['wrong', 'idle', 'look', 'out'];

/** What is missing, doubled or wrong in the placement and in each code list, why, and what mends it; what is mended here joins the rehearsal. */
export function CoverageScreen() {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { classification, asked } = useClassification();
  const { span } = useSpan();
  const dispatch = useDispatch();
  const menuOf = useAccountMenu();
  const [params, change] = useAddress();
  const { view, model, kept, draft, working } = usePlacement();
  const { data: lists } = useListCodeListsQuery({ companyId: company.id });
  const { data: proved } = useGetProofsQuery({ companyId: company.id, ...span, ...asked }, { skip: company.lastEntryDay === null });
  const exclusion = `classification:${classification.id}`;
  const scopes = useMemo(
    () => [
      ...placementScopes(view, model, classification.name, exclusion, proved?.proofs ?? [], lists?.lists ?? []),
      ...layoutScopes(view, model, proved?.proofs ?? []),
      ...listScopes(view, model, lists?.lists ?? [], company.digitOrder),
    ],
    [view, model, classification.name, exclusion, proved, lists, company.digitOrder],
  );
  const applied = useMemo(() => faultsOf(view, kept), [view, kept]);
  const scope = scopes.find(({ key }) => key === params.get('scope')) ?? (scopes[0] as CoveredScope);
  const concern = concerns.find((one) => one === params.get('concern')) ?? null;
  const rows = useMemo(
    (): PlacedRow[] => scope.rows.filter((row) => concern === null || row.concern === concern).map((row, at) => ({ ...row, place: at + 1 })),
    [scope, concern],
  );
  const columns = useMemo(() => coverageColumns(model, currency, view), [model, currency, view]);
  const chosen = rows[Math.min(Number(params.get('finding') ?? 1), rows.length) - 1] ?? null;
  const isRehearsing = params.get('rehearsal') === 'lines' && working.appliedTo === null && !isEmptyDraft(working.steps.now);
  return (
    <div className={styles.screen}>
      <CoverageScopes scopes={scopes} chosen={scope} onChoose={(key) => change({ scope: key, finding: null, concern: null })} />
      <section className={styles.sheet} aria-labelledby="coverage">
        <PlacementTabs />
        <header className={styles.head}>
          <div>
            <h2 id="coverage">{headline(scope)}</h2>
            <p className={styles.quiet}>
              {scope.faulty > 0 &&
                `${formatAmount(scope.atStake, currency)} at stake, ${formatAmount(scope.netEffect < 0n ? -scope.netEffect : scope.netEffect, currency)} net ${scope.netEffect < 0n ? 'credit' : 'debit'}. `}
              {scope.key === 'placement' && !isEmptyDraft(draft) && applied !== scope.faulty && `${applied} as it stands, ${scope.faulty} once applied.`}
              {!scope.isClaimed && 'Say at the right for which accounts it is to be complete.'}
            </p>
          </div>
          <div className={styles.concerns} role="group" aria-label="What is listed">
            <button type="button" aria-pressed={concern === null} onClick={() => change({ concern: null, finding: null })}>
              All {scope.rows.length}
            </button>
            {concerns.map((one) => {
              const count = scope.rows.filter((row) => row.concern === one).length;
              return count === 0 ? null : (
                <button key={one} type="button" aria-pressed={concern === one} onClick={() => change({ concern: one, finding: null })}>
                  {(scope.list ? concernNamesOfLists : concernNames)[one]} {count}
                </button>
              );
            })}
          </div>
        </header>
        {rows.length === 0 ? (
          <EmptyState title={scope.isClaimed ? 'Nothing is missing' : 'Nothing to look at'}>
            <p>
              {scope.list === null
                ? 'Every account stands exactly once, and nothing about it is odd.'
                : scope.isClaimed
                  ? 'Every account that needs a code has one, and none is at odds with its account.'
                  : 'No code is at odds with its account.'}
            </p>
          </EmptyState>
        ) : (
          <TreeGrid<PlacedRow>
            key={scope.key}
            label="Findings"
            rows={rows}
            keyOf={({ place }) => place}
            depthOf={() => 0}
            columns={columns}
            chosen={chosen?.place ?? 0}
            onOpen={({ place }) => change({ finding: String(place), rehearsal: null })}
            menu={({ account }) => menuOf(account.id)}
            isFaint={({ concern: of }) => of === 'out'}
            onCopied={(count) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(count) }))}
            countText={(shown, all) => (shown === all ? counted(all, 'finding') : `${shown} of ${counted(all, 'finding')}`)}
          />
        )}
      </section>
      {isRehearsing ? <RehearsalPanel /> : <CoveragePanel scope={scope} chosen={chosen} rows={rows} currency={currency} />}
    </div>
  );
}

function headline({ list, isClaimed, inScope, faulty }: CoveredScope): string {
  if (list === null)
    return faulty === 0
      ? `All ${counted(inScope, 'account stands', 'accounts stand')} exactly once`
      : `${inScope - faulty} of ${counted(inScope, 'account')} stand exactly once, ${faulty} to place`;
  if (!isClaimed) return 'Complete for no accounts in particular';
  return faulty === 0 ? `All ${counted(inScope, 'account has', 'accounts have')} a code` : `${inScope - faulty} of ${counted(inScope, 'account')} have a code`;
}
