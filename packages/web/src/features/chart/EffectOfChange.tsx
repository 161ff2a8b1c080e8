import type { AccountChange } from '@ivory-ladder/contract';
import { useCheckAccountChangeQuery } from '../../shared/api/chartApi.ts';
import { EffectList } from '../../shared/components/EffectList.tsx';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSettled } from '../../shared/state/useSettled.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './ChartScreen.module.css';

const millisecondsBeforeLooking = 400;

/** What a change of an account does to every statement and layout in use; looked at once it has come to rest. */
export function EffectOfChange({ accountId, change }: { accountId: number; change: AccountChange }) {
  const company = useCompany();
  const { span } = useSpan();
  // By its words, since it is made anew with each letter that is typed.
  const text = JSON.stringify(change);
  const settled = useSettled(text, millisecondsBeforeLooking);
  const { currentData, error } = useCheckAccountChangeQuery({
    companyId: company.id,
    accountId,
    body: { change: JSON.parse(settled) as AccountChange, from: span.from, to: span.to },
  });
  if (settled === text && error !== undefined) return <p className={styles.fault}>{describeFailure(error)}</p>;
  if (settled !== text || !currentData) return <p className={styles.quiet}>Looking at every statement …</p>;
  return (
    <section role="status" aria-label="Effect">
      <EffectList effect={currentData} currency={currencyOfCompany(company)} />
    </section>
  );
}
