import { type BandSpan, elements, numberBand, rangesMoved, walkCategories } from '@ivory-ladder/core';
import { useMemo } from 'react';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { useAddress } from '../../shared/state/useAddress.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { PlacementTabs, usePlacementActions } from '../placement/index.ts';
import { elementName, RehearsalPanel, usePlacement } from '../rehearsal/index.ts';
import { bandChoices, tickState } from './bandChoice.ts';
import { NumberBand, type SpanEnd } from './NumberBand.tsx';
import { RangedPanel } from './RangedPanel.tsx';
import styles from './RangesScreen.module.css';
import { RangeTable } from './RangeTable.tsx';

/** Account numbers that categories take, drawn as a strip and written as text; whatever is changed joins the rehearsal. */
export function RangesScreen() {
  const company = useCompany();
  const { digitOrder } = company;
  const mayChange = useMay('keep_placement');
  const { model, draft, working } = usePlacement();
  const actions = usePlacementActions();
  const [params, change] = useAddress();
  const choices = useMemo(() => bandChoices(model.byId.values(), digitOrder), [model, digitOrder]);
  // The first look is at what is to be mended.
  const wrong = choices.find(({ element, accounts }) => element && accounts.some((account) => ['doubled', 'odd', 'unplaced'].includes(tickState(account))));
  const isBegun = [...model.placement.categories.values()].some(({ ranges }) => ranges.length > 0);
  const firstLook = isBegun ? (wrong?.element ?? choices[1]?.key) : 'all';
  const choice = choices.find(({ key }) => key === (params.get('numbers') ?? firstLook)) ?? choices[0];
  const shown = useMemo(() => (choice?.element ? [choice.element] : elements), [choice]);
  const categories = useMemo(() => {
    const own: number[] = [];
    for (const element of shown) walkCategories(model.tree.tops.get(element) ?? [], ({ category }) => own.push(category.id));
    return own.flatMap((id) => model.placement.categories.get(id) ?? []);
  }, [model, shown]);
  const band = useMemo(
    () =>
      choice
        ? numberBand(
            choice.accounts.map(({ number }) => number),
            categories,
            model.tree,
            digitOrder,
          )
        : null,
    [choice, categories, model, digitOrder],
  );
  if (!choice || !band)
    return (
      <section className={styles.sheet}>
        <PlacementTabs />
        <EmptyState title="No account has a number">
          <p>Ranges take accounts by their numbers. Here accounts have names only, and are placed by hand.</p>
        </EmptyState>
      </section>
    );
  const chosenCategory = Number(params.get('category') ?? 0);
  const chosenAccount = Number(params.get('account') ?? 0);
  const move = ({ categoryId, side, part }: BandSpan, end: SpanEnd, number: string) => {
    const category = model.placement.categories.get(categoryId);
    const ranges = category && rangesMoved(category.ranges, side, part, end, number, digitOrder);
    if (ranges) actions.change(categoryId, { ranges });
  };
  const isRehearsing = params.get('rehearsal') === 'lines' && working.appliedTo === null && draft.places.length + draft.categories.length > 0;
  const inNone = choice.accounts.filter((account) => tickState(account) === 'unplaced').length;
  const doubled = choice.accounts.filter((account) => tickState(account) === 'doubled').length;
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="ranges">
        <PlacementTabs />
        <header className={styles.head}>
          <div>
            <h2 id="ranges">{choice.element ? elementName(choice.element) : 'All categories'} by account number</h2>
            <p className={styles.quiet}>
              {counted(choice.accounts.length, 'account')}
              {inNone > 0 && `, ${inNone} in no category`}
              {doubled > 0 && `, ${doubled} doubled`}.{' '}
              {choice.element
                ? 'Choose a span and drag its ends, or write its numbers below; accounts made later fall in by themselves.'
                : 'Write the numbers, or paste a block of a spreadsheet: category, numbers; or category, first, last.'}
            </p>
          </div>
          <Select
            className={styles.choice}
            aria-label="Numbers shown"
            value={choice.key}
            onChange={(event) => change({ numbers: event.target.value, account: null })}
          >
            {choices.map(({ key, label }) => (
              <option key={key} value={key}>
                {label}
              </option>
            ))}
          </Select>
        </header>
        {choice.element && (
          <NumberBand
            band={band}
            accounts={choice.accounts}
            nameOf={(id) => model.placement.categories.get(id)?.name ?? ''}
            chosenCategory={chosenCategory}
            chosenAccount={chosenAccount}
            mayChange={mayChange}
            onChooseCategory={(id) => change({ category: String(id), account: null, rehearsal: null })}
            onChooseAccount={(id) => change({ account: String(id), rehearsal: null })}
            onMove={move}
          />
        )}
        <RangeTable
          elements={shown}
          spans={band.spans}
          currency={currencyOfCompany(company)}
          chosenId={chosenCategory}
          onChoose={(id) => change({ category: String(id), account: null, rehearsal: null })}
          onChooseAccount={(id) => change({ account: String(id), rehearsal: null })}
        />
      </section>
      {isRehearsing ? (
        <RehearsalPanel />
      ) : (
        <RangedPanel
          choice={choice}
          categoryId={chosenCategory}
          accountId={chosenAccount}
          onChoose={(id) => change({ account: String(id), rehearsal: null })}
        />
      )}
    </div>
  );
}
