import { type Currency, formatAmount, isOnSide, pathOf, type Side, shortDay } from '@ivory-ladder/core';
import { elementName, type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import { landingOf } from './landing.ts';
import styles from './WhereItStands.module.css';

interface WhereItStandsProps {
  readonly account: PlacedAccount;
  readonly currency: Currency;
}

const conditions = { any: 'whatever its balance', debit: 'while in debit', credit: 'while in credit' } as const;

/** The places of one account, which of them holds on the chosen day, and why. */
export function WhereItStands({ account, currency }: WhereItStandsProps) {
  const { view, model } = usePlacement();
  const net = BigInt(account.balance);
  const side: Side | null = net === 0n ? null : isOnSide(net, 'debit') ? 'debit' : 'credit';
  const day = shortDay(view.span.lastDay);
  const stands = [...account.places.map((place) => ({ ...place, why: 'by hand' })), ...account.placesByRange.map((place) => ({ ...place, why: 'by range' }))];
  // A balance of nothing counts on the normal side.
  const holds = stands.find((place) => place.side === 'any' || place.side === (side ?? account.normalSide));
  const balance = side === null ? `On ${day} it has no balance` : `On ${day} it is in ${side} by ${formatAmount(net < 0n ? -net : net, currency)}`;
  return (
    <div>
      <h3>Where it stands</h3>
      {stands.length === 0 && <p className={styles.quiet}>In no category. {balance}.</p>}
      <ul className={styles.places}>
        {stands.map((place) => {
          const node = model.tree.nodes.get(place.categoryId);
          if (!node) return null;
          return (
            <li key={`${place.side} ${place.categoryId}`} data-holds={place === holds || undefined}>
              <b>{[elementName(node.category.element), ...pathOf(node)].join(' › ')}</b>
              <small>
                {conditions[place.side]}, {place.why}
              </small>
              {place === holds && landingOf(node).map((line) => <small key={line}>{line}</small>)}
            </li>
          );
        })}
      </ul>
      {stands.some((place) => place.side !== 'any') && (
        <p className={styles.quiet}>
          {balance}
          {side === null && `, which counts as ${account.normalSide}`}
          {holds ? `, so it stands in ${model.placement.categories.get(holds.categoryId)?.name}.` : ', and for that side it stands nowhere.'}
        </p>
      )}
    </div>
  );
}
