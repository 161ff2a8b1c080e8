import type { AccountClimbBody } from '@ivory-ladder/contract';
import { type Currency, formatAmount, formatPercent, longDay, spanText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { Link, useLocation } from 'react-router';
import { useGetAccountClimbQuery } from '../../shared/api/ledgerApi.ts';
import { spanSearch } from '../../shared/state/spanSearch.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './ClimbDialog.module.css';

type Climb = AccountClimbBody['climbs'][number];

const titles = { 'balance-sheet': 'Balance sheet', 'income-statement': 'Income statement', 'cash-flow': 'Cash flow' } as const;
const sideWords = { any: '', debit: ' while in debit', credit: ' while in credit' } as const;

/** Where an account climbs: from its own amount up the rungs to the totals of each statement and classification, with its share of each. */
export function ClimbDialog({ accountId }: { accountId: number }) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const { span } = useSpan();
  const [, change] = useAddress();
  const { data, error } = useGetAccountClimbQuery({ companyId: company.id, accountId, from: span.from, to: span.to });
  const close = () => change({ climb: null });
  const isSeveral = company.classifications.length > 1;
  return (
    <Dialog open onClose={close} fullWidth maxWidth={isSeveral || (data?.climbs.length ?? 0) > 1 ? 'md' : 'sm'} aria-labelledby="climb-title">
      <DialogTitle id="climb-title">{data ? data.label : 'Climb'}</DialogTitle>
      <DialogContent>
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        <div className={styles.climbs}>
          {data?.climbs.map((climb) => (
            <Ladder
              key={`${climb.classification.id} ${climb.kind} ${climb.rungs[0]?.key}`}
              climb={climb}
              label={data.label}
              currency={currency}
              dates={climb.measure === 'closing' ? longDay(span.to) : spanText(span.from, span.to)}
              isSeveral={isSeveral}
            />
          ))}
        </div>
      </DialogContent>
      <DialogActions>
        <Button onClick={close}>Close</Button>
      </DialogActions>
    </Dialog>
  );
}

interface LadderProps {
  readonly climb: Climb;
  readonly label: string;
  readonly currency: Currency;
  readonly dates: string;
  readonly isSeveral: boolean;
}

/** The last total on top, as one climbs; each rung opens what stands under it. */
function Ladder({ climb, label, currency, dates, isSeveral }: LadderProps) {
  const company = useCompany();
  const { search } = useLocation();
  const { classification, kind, amount, side, rungs } = climb;
  // A cash flow may take an account on several lines.
  const onLine = kind === 'cash-flow' ? `: ${rungs[0]?.caption ?? ''}` : '';
  const title = `${titles[kind]}${onLine}${isSeveral ? `, ${classification.name}` : ''}`;
  const searchOf = (key: string): string => {
    const params = spanSearch(search);
    params.set('cell', `${key}~0`);
    if (!classification.isMain) params.set('classification', String(classification.id));
    return params.toString();
  };
  return (
    <section aria-label={title}>
      <h3>{title}</h3>
      <p className={styles.quiet}>{dates}</p>
      {rungs.length === 0 ? (
        <p className={styles.none}>
          {formatAmount(BigInt(amount), currency)} stands in no line: {isSeveral ? `unplaced in ${classification.name}` : 'unplaced'}.{' '}
          <Link to={{ pathname: `/companies/${company.id}/placement/coverage`, search: classification.isMain ? '' : `classification=${classification.id}` }}>
            Place it
          </Link>
        </p>
      ) : (
        <table className={styles.ladder}>
          <thead>
            <tr>
              <th scope="col">Rung</th>
              <th scope="col">Amount</th>
              <th scope="col" title="Of the account in the amount of the rung">
                Its share
              </th>
            </tr>
          </thead>
          <tbody>
            {rungs.toReversed().map((rung) => (
              <tr key={rung.key}>
                <th scope="row">
                  <Link to={{ pathname: `/companies/${company.id}/statements/${kind}`, search: searchOf(rung.key) }} title="What stands under it">
                    {rung.caption}
                  </Link>
                </th>
                <td>{formatAmount(BigInt(rung.amount), currency)}</td>
                <td className={styles.share}>{shareText(rung.share, amount)}</td>
              </tr>
            ))}
            <tr data-own>
              <th scope="row">
                {label}
                {side !== null && sideWords[side]}
              </th>
              <td>{formatAmount(BigInt(amount), currency)}</td>
              <td />
            </tr>
          </tbody>
        </table>
      )}
    </section>
  );
}

/** In percent; what is there and rounds to nothing is told from what is not there. */
function shareText(tenths: string | null, own: string): string {
  if (tenths === null) return '';
  return tenths === '0' && own !== '0' ? 'under 0.1 %' : `${formatPercent(BigInt(tenths))} %`;
}
