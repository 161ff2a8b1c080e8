import { type Currency, formatAmount } from '@ivory-ladder/core';
import styles from './BalanceAmount.module.css';

/** An amount, marked where it stands against the normal side of its account. */
export function BalanceAmount({ net, currency, isAgainst }: { net: bigint; currency: Currency; isAgainst: boolean }) {
  if (!isAgainst) return formatAmount(net, currency);
  return (
    <span className={styles.against} title="Against its normal side">
      ▲ {formatAmount(net, currency)}
    </span>
  );
}
