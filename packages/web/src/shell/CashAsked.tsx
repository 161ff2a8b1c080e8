import { buildCategoryTree, pathOf, proposeCash, walkCategories } from '@ivory-ladder/core';
import { useState } from 'react';
import { useGetPlacementQuery } from '../shared/api/placementApi.ts';
import { standsIn } from '../shared/api/standsIn.ts';
import { Select } from '../shared/components/Select.tsx';
import { useCompany, useMay } from '../shared/state/useCompany.ts';
import { useGiveCash } from '../shared/state/useGiveCash.ts';
import { useSpan } from '../shared/state/useSpan.ts';
import { counted } from '../shared/words/counted.ts';
import styles from './ProofStrip.module.css';

/** No account has the role cash: asks for the category whose accounts are, with the likeliest chosen already. */
export function CashAsked() {
  const { id: companyId } = useCompany();
  const { span } = useSpan();
  const mayKeep = useMay('keep_chart');
  const { data } = useGetPlacementQuery({ companyId, ...span }, { skip: !mayKeep });
  const { isBusy, give } = useGiveCash();
  const [chosen, setChosen] = useState<number | null>(null);
  const said = '▲ No account has the role cash, so that its change is not explained.';
  if (!data) return <span className={styles.to_look_at}>{mayKeep ? said : `${said} Somebody who keeps the chart can give it.`}</span>;
  const tree = buildCategoryTree(data.categories);
  const categories = [...tree.nodes.values()]
    .filter(({ category }) => category.element === 'asset')
    .map((node) => {
      const within = new Set<number>();
      walkCategories([node], ({ category }) => within.add(category.id));
      const { id, name, element } = node.category;
      const accounts = data.accounts.filter(
        (account) => account.element === 'asset' && account.active && !account.isParent && standsIn(account).some((place) => within.has(place.categoryId)),
      );
      return { id, name: pathOf(node).join(' › '), element, accounts, label: name };
    })
    .filter(({ accounts }) => accounts.length > 0);
  const likeliest = proposeCash(categories.map((one) => ({ ...one, name: one.label })));
  const category = categories.find(({ id }) => id === (chosen ?? likeliest?.id));
  return (
    <span className={styles.asked}>
      <span className={styles.to_look_at}>{said}</span>
      <label>
        Cash is{' '}
        <Select value={category?.id ?? ''} disabled={isBusy} onChange={(event) => setChosen(Number(event.target.value))}>
          {!category && <option value="">choose a category</option>}
          {categories.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </Select>
      </label>
      <button type="button" disabled={isBusy || !category} onClick={() => category && void give(category.accounts)}>
        {category ? `Give it to its ${counted(category.accounts.length, 'account')}` : 'Give it'}
      </button>
    </span>
  );
}
