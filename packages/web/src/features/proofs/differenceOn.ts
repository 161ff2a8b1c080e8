import type { ProofBody } from '@ivory-ladder/contract';

/** By how much the figures of a proof miss each other on a day; `null` where they are not held against each other. Debit positive. */
export function differenceOn({ name, figures, state }: Pick<ProofBody, 'name' | 'figures' | 'state'>, day: string): bigint | null {
  if (state === 'not_provable') return null;
  const ofDay = figures.filter((figure) => figure.day === day);
  const net = (wanted: string): bigint => BigInt(ofDay.find((figure) => figure.name === wanted)?.net ?? 0);
  switch (name) {
    case 'trial_balance':
    case 'assets_equal_claims':
      return ofDay.reduce((sum, figure) => sum + BigInt(figure.net), 0n);
    case 'profit_in_equity':
      return net('result_in_equity') - net('income_statement');
    case 'equity_ties':
      return net('equity_opening') + net('equity_changes') - net('equity_closing');
    case 'own_totals':
      return ofDay.some((figure) => figure.name === 'own_debit_total')
        ? net('own_debit_total') + net('own_credit_total')
        : net('own_final_total') - net('result_of_accounts');
    case 'cash_ties': {
      const missed = ofDay.filter((figure) => figure.name !== 'cash_moved').map((figure) => BigInt(figure.net) - net('cash_moved'));
      return missed.reduce((worst, one) => (one * one > worst * worst ? one : worst), 0n);
    }
    default:
      return null;
  }
}
