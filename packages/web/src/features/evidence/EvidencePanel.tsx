import type { EvidenceBody } from '@ivory-ladder/contract';
import {
  accountLabel,
  addDays,
  type Currency,
  formatAmount,
  formatFigure,
  isOnSide,
  longDay,
  type PresentationChoice,
  spanText,
  translationAccountId,
} from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import IconButton from '@mui/material/IconButton';
import { useState } from 'react';
import { Link } from 'react-router';
import { useGetEvidenceQuery } from '../../shared/api/statementApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import type { PlanParams } from '../../shared/api/statementParams.ts';
import { BalanceAmount } from '../../shared/components/BalanceAmount.tsx';
import type { SpanInAddress } from '../../shared/state/spanInAddress.ts';
import { useClimb } from '../../shared/state/useClimb.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { AccountLines } from './AccountLines.tsx';
import type { CellAddress } from './cellAddress.ts';
import { EntryView } from './EntryView.tsx';
import styles from './EvidencePanel.module.css';

interface EvidencePanelProps {
  readonly kind: StatementKind;
  readonly span: SpanInAddress;
  readonly planned: PlanParams;
  /** Only lines with these facet values. */
  readonly facets: string;
  /** Whose categories it climbs; the main one's where none is named. */
  readonly classification?: number;
  /** The currency of the statement, where it is not the company's. */
  readonly presentation: PresentationChoice | null;
  readonly cell: CellAddress;
  readonly onOpen: (cell: CellAddress) => void;
  readonly onClose: () => void;
}

const accountsShown = 40;

/** What a figure is made of: the climb above it, the accounts in it, their entries, and the entry at the end. */
export function EvidencePanel({ kind, span, planned, facets, classification, presentation, cell, onOpen, onClose }: EvidencePanelProps) {
  const company = useCompany();
  const own = currencyOfCompany(company);
  const climb = useClimb();
  const [entryId, setEntryId] = useState<number | null>(null);
  const { data, error } = useGetEvidenceQuery({
    companyId: company.id,
    kind,
    ...span,
    ...planned,
    facets,
    ...(classification === undefined ? {} : { classification }),
    ...(presentation ? { currency: presentation.currency, translation: presentation.method } : {}),
    line: cell.line,
    column: cell.column,
    ...(cell.account === null ? {} : { account: cell.account }),
  });
  const currency: Currency = data ? { code: data.currency, exponent: data.exponent } : own;
  const format = (amount: string) => formatAmount(BigInt(amount), currency);
  const isDifference = cell.account === translationAccountId;
  const ledgerAccount = data?.ledgerAccountId ?? null;
  return (
    <aside className={styles.panel} aria-label="Evidence">
      <header className={styles.head}>
        <h2>{data ? `What ${formatFigure(data.amount, data.unit, currency)} is made of` : 'Evidence'}</h2>
        <IconButton size="small" aria-label="Close the evidence" onClick={onClose}>
          <Close fontSize="inherit" />
        </IconButton>
      </header>
      {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
      {data && entryId !== null && <EntryView entryId={entryId} currency={own} onBack={() => setEntryId(null)} />}
      {data && entryId === null && (
        <>
          <p className={styles.facts}>
            {data.caption}, {data.budget !== null && `budget ${data.budget}, `}
            {data.measure === 'movement'
              ? spanText(data.firstDay, data.lastDay)
              : longDay(data.measure === 'closing' ? data.lastDay : addDays(data.firstDay, -1))}
            {data.layer === 'ledger' && ', without adjustments'}
            {presentation && ` · ${data.currency}`}
          </p>
          {data.formula && <Operands formula={data.formula} currency={currency} cell={cell} onOpen={onOpen} />}
          <Climb evidence={data} format={format} cell={cell} onOpen={onOpen} />
          {data.formula ? null : cell.account === null ? (
            <Parts evidence={data} currency={currency} cell={cell} onOpen={onOpen} />
          ) : (
            <>
              {ledgerAccount !== null && (
                <button type="button" className={styles.more} onClick={() => climb(ledgerAccount)}>
                  Where the account climbs, in all statements
                </button>
              )}
              {data.carried.map(({ caption, net }) => (
                <p key={caption} className={styles.carried}>
                  <span>{caption}</span>
                  <span>{formatAmount(isShownAgainst(data) ? -BigInt(net) : BigInt(net), currency)}</span>
                </p>
              ))}
              <Behind evidence={data} isDifference={isDifference} own={own} onOpenEntry={setEntryId} />
            </>
          )}
        </>
      )}
    </aside>
  );
}

interface BehindProps {
  readonly evidence: EvidenceBody;
  /** What translation leaves in equity. */
  readonly isDifference: boolean;
  /** The company's currency, which entries are in. */
  readonly own: Currency;
  readonly onOpenEntry: (entryId: number) => void;
}

/** What stands behind the amount of one account: its entries, or the cells of a budget. */
function Behind({ evidence, isDifference, own, onOpenEntry }: BehindProps) {
  const company = useCompany();
  const { budget, budgetId, currency, facets, layer, ledgerAccountId, measure } = evidence;
  if (isDifference) return <p className={styles.facts}>No entry stands behind it: it is what translation into {currency} leaves in equity.</p>;
  if (budget !== null) return <Link to={`/companies/${company.id}/ledger/budgets?budget=${budgetId}`}>The budget {budget}</Link>;
  // Of what was asked before, as long as the answer is under way.
  if (ledgerAccountId === null) return null;
  return (
    <>
      {currency !== own.code && <p className={styles.facts}>Entries are in {own.code}, as they were posted.</p>}
      <AccountLines
        accountId={ledgerAccountId}
        facets={Object.keys(facets).length === 0 ? '' : JSON.stringify(facets)}
        layer={layer}
        currency={own}
        runs={measure === 'movement'}
        {...linesSpan(evidence)}
        onOpenEntry={onOpenEntry}
      />
    </>
  );
}

/** A balance is made of everything up to its day, a movement of what lies in its span. */
function linesSpan({ measure, firstDay, lastDay }: EvidenceBody): { from?: string; to: string } {
  if (measure === 'movement') return { from: firstDay, to: lastDay };
  return { to: measure === 'closing' ? lastDay : addDays(firstDay, -1) };
}

/** What a calculation says, and the lines that it names; each opens to what it is made of. */
function Operands({
  formula,
  currency,
  cell,
  onOpen,
}: {
  formula: NonNullable<EvidenceBody['formula']>;
  currency: Currency;
  cell: CellAddress;
  onOpen: (cell: CellAddress) => void;
}) {
  return (
    <>
      <p className={styles.formula}>{formula.text}</p>
      <ul className={styles.parts}>
        {formula.operands.map(({ key, caption, unit, amount }) => (
          <li key={key}>
            <button type="button" className={styles.part} onClick={() => onOpen({ line: key, column: cell.column, account: null })}>
              <span className={styles.partName}>{caption}</span>
              <span>{formatFigure(amount, unit, currency)}</span>
            </button>
          </li>
        ))}
      </ul>
    </>
  );
}

function Climb({
  evidence,
  format,
  cell,
  onOpen,
}: {
  evidence: EvidenceBody;
  format: (amount: string) => string;
  cell: CellAddress;
  onOpen: (cell: CellAddress) => void;
}) {
  const last = evidence.climb.length - 1;
  return (
    <ol className={styles.climb} aria-label="Climb">
      {evidence.climb.map(({ key, caption, amount }, at) => (
        <li key={key}>
          <button
            type="button"
            className={styles.rung}
            aria-current={at === last ? 'true' : undefined}
            onClick={() => at < last && onOpen({ line: key, column: cell.column, account: null })}
          >
            <span>{caption}</span>
            <span>{format(amount)}</span>
          </button>
        </li>
      ))}
    </ol>
  );
}

function Parts({ evidence, currency, cell, onOpen }: { evidence: EvidenceBody; currency: Currency; cell: CellAddress; onOpen: (cell: CellAddress) => void }) {
  const [all, setAll] = useState(false);
  const shown = all ? evidence.accounts : evidence.accounts.slice(0, accountsShown);
  const largest = evidence.accounts.reduce((most, { net }) => Math.max(most, Math.abs(Number(net))), 1);
  const credit = isMostlyCredit(evidence);
  return (
    <>
      <h3 className={styles.subhead}>
        {counted(evidence.accounts.length, 'account')}
        <span className={styles.side}>{credit ? 'credit balances positive' : 'debit balances positive'}</span>
      </h3>
      <ul className={styles.parts}>
        {shown.map(({ accountId, number, name, net, sideAgainst }) => (
          <li key={accountId}>
            <button type="button" className={styles.part} onClick={() => onOpen({ line: cell.line, column: cell.column, account: accountId })}>
              <span className={styles.partName}>{accountLabel({ number, name })}</span>
              <span>
                <BalanceAmount net={credit ? -BigInt(net) : BigInt(net)} currency={currency} isAgainst={isOnSide(BigInt(net), sideAgainst)} />
              </span>
              <span className={styles.bar} aria-hidden style={{ width: `${Math.max(1, (Math.abs(Number(net)) / largest) * 100)}%` }} />
            </button>
          </li>
        ))}
        {evidence.carried.map(({ caption, net }) => (
          <li key={caption} className={styles.carried}>
            <span>{caption}</span>
            <span>{formatAmount(credit ? -BigInt(net) : BigInt(net), currency)}</span>
          </li>
        ))}
      </ul>
      {shown.length < evidence.accounts.length && (
        <button type="button" className={styles.more} onClick={() => setAll(true)}>
          Show all {evidence.accounts.length} accounts
        </button>
      )}
    </>
  );
}

/** Whether the cell shows credit amounts as positive. */
function isShownAgainst({ amount, accounts }: EvidenceBody): boolean {
  const net = accounts.reduce((sum, one) => sum + BigInt(one.net), 0n);
  return amount !== null && net !== 0n && BigInt(amount) < 0n !== net < 0n;
}

function isMostlyCredit({ accounts, carried }: EvidenceBody): boolean {
  return [...accounts, ...carried].reduce((sum, { net }) => sum + BigInt(net), 0n) < 0n;
}
