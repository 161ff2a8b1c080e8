import { formatAmount } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';
import { useGetProofsQuery } from '../../shared/api/statementApi.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { reasonText } from '../proofs/index.ts';
import { onNaturalSide, usePlacement } from '../rehearsal/index.ts';
import styles from './UnplacedPanel.module.css';

interface ToLookAtProps {
  readonly onChoose: (categoryId: number) => void;
}

/** Accounts that are placed, and odd all the same: on a parent, or on the side that is not their own. */
export function ToLookAt({ onChoose }: ToLookAtProps) {
  const { model } = usePlacement();
  const company = useCompany();
  const { span } = useSpan();
  const { data } = useGetProofsQuery({ companyId: company.id, ...span }, { skip: company.lastEntryDay === null });
  const currency = currencyOfCompany(company);
  const odd = (data?.proofs ?? [])
    .filter(({ name }) => name === 'parents_without_postings' || name === 'normal_sides')
    .flatMap(({ accounts }) => accounts)
    .flatMap((found) => {
      const account = model.byId.get(found.accountId);
      return account && standsIn(account).length > 0 ? [{ ...found, account }] : [];
    });
  if (odd.length === 0) return null;
  return (
    <section className={styles.odd} aria-labelledby="to-look-at">
      <h2 id="to-look-at">To look at</h2>
      <p className={styles.quiet}>Placed, but something is odd</p>
      <ul>
        {odd.map(({ account, reason, net }) => (
          <li key={`${account.id} ${reason}`}>
            <button type="button" className={styles.oddCard} onClick={() => onChoose(standsIn(account)[0]?.categoryId ?? 0)} title="Show where it stands">
              <span>{account.label}</span>
              <span className={styles.amount}>{formatAmount(onNaturalSide(BigInt(net), account.element), currency)}</span>
              <span className={styles.reason}>{reasonText(reason)}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
