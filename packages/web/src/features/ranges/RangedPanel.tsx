import { counterElement, type DescribedCategory, formatAmount, rangesHolding, rangesWith, writeRangeText } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useDispatch } from 'react-redux';
import { standsIn } from '../../shared/api/standsIn.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { landingOf, usePlacementActions } from '../placement/index.ts';
import { onNaturalSide, type PlacedAccount, usePlacement } from '../rehearsal/index.ts';
import { type BandChoice, tickState } from './bandChoice.ts';
import styles from './RangedPanel.module.css';

interface RangedPanelProps {
  readonly choice: BandChoice;
  readonly categoryId: number;
  readonly accountId: number;
  readonly onChoose: (accountId: number) => void;
}

const neighboursShown = 2;

/** The account or category that was chosen on the band: why it stands where it stands, and what mends it. */
export function RangedPanel({ choice, categoryId, accountId, onChoose }: RangedPanelProps) {
  const { model } = usePlacement();
  const account = model.byId.get(accountId);
  if (account) return <AccountSide account={account} choice={choice} />;
  const category = model.placement.categories.get(categoryId);
  if (category) return <CategorySide id={category.id} choice={choice} />;
  return <Amiss choice={choice} onChoose={onChoose} />;
}

const mostListed = 300;
const stateWords = { doubled: 'doubled', odd: 'at odds', unplaced: '' } as const;

/** Nothing was chosen: what is to be mended here, by number, so that ranges can be written beside it. */
function Amiss({ choice, onChoose }: Pick<RangedPanelProps, 'choice' | 'onChoose'>) {
  const wrong = choice.accounts.flatMap((account) => {
    const state = tickState(account);
    return state === 'doubled' || state === 'odd' || state === 'unplaced' ? [{ account, state }] : [];
  });
  return (
    <aside className={styles.panel} aria-label="Chosen on the band">
      <div>
        <h2>{wrong.length === 0 ? 'Nothing is amiss' : 'To look at'}</h2>
        <p className={styles.quiet}>
          {wrong.length === 0
            ? 'Every account here stands in one category. Choose a span or a tick to see more of it.'
            : `${counted(wrong.length, 'account')} that no range takes, or that one takes amiss.`}
        </p>
      </div>
      <ul className={styles.amiss}>
        {wrong.slice(0, mostListed).map(({ account, state }) => (
          <li key={account.id}>
            <button type="button" onClick={() => onChoose(account.id)} title={account.label}>
              {account.label}
            </button>
            <small>{stateWords[state]}</small>
          </li>
        ))}
        {wrong.length > mostListed && <li>and {wrong.length - mostListed} more</li>}
      </ul>
    </aside>
  );
}

function AccountSide({ account, choice }: { account: PlacedAccount; choice: BandChoice }) {
  const currency = currencyOfCompany(useCompany());
  const mayChange = useMay('keep_placement');
  const { model, amend } = usePlacement();
  const actions = usePlacementActions();
  const { categories } = model.placement;
  const state = tickState(account);
  const stands = standsIn(account);
  const nameOf = (id: number) => categories.get(id)?.name ?? '';
  const textOf = (id: number) =>
    categories
      .get(id)
      ?.ranges.map(({ text }) => text)
      .join(', ') ?? '';
  const leaveOutOf = (ids: readonly number[], name: string) => {
    const changed = ids.flatMap((id): [number, DescribedCategory][] => {
      const category = categories.get(id);
      return category
        ? [[id, { ...category, ranges: category.ranges.reduce((texts, { side }) => rangesWith(texts, side, { leaveOut: [account.number] }), category.ranges) }]]
        : [];
    });
    amend({ categories: new Map(changed) }, name);
  };
  const takeIn = (id: number) => {
    const category = categories.get(id);
    if (category) actions.change(id, { ranges: rangesWith(category.ranges, 'any', { add: [{ kind: 'span', from: account.number, to: account.number }] }) });
  };
  const at = choice.accounts.findIndex(({ id }) => id === account.id);
  const beside = choice.accounts.slice(Math.max(0, at - neighboursShown), at + neighboursShown + 1);
  const nearby = [...new Set(beside.flatMap((one) => standsIn(one).map((place) => place.categoryId)))].filter(
    (id) => (categories.get(id)?.ranges.length ?? 0) > 0,
  );
  const node = stands[0] ? model.tree.nodes.get(stands[0].categoryId) : undefined;
  return (
    <aside className={styles.panel} aria-label="Chosen on the band">
      <h2>{account.label}</h2>
      <p className={styles.quiet}>
        {account.element} ·{' '}
        {state === 'doubled' ? 'its number stands in two ranges' : stands.map(({ categoryId }) => nameOf(categoryId)).join(' and ') || 'in no category'}
        {state === 'placed' && ', by range'}
        {state === 'by_hand' && ', by hand'}
      </p>
      {state === 'doubled' && (
        <div className={styles.wrong}>
          <h3>Doubled</h3>
          <p>{account.doubledIn.map((id) => `${nameOf(id)} takes ${textOf(id)}`).join(', ')}. Choose one, or give the account a place by hand.</p>
          {mayChange && (
            <div className={styles.tools}>
              {account.doubledIn.map((id) => (
                <Button
                  key={id}
                  onClick={() =>
                    leaveOutOf(
                      account.doubledIn.filter((other) => other !== id),
                      `leave ${account.label} to ${nameOf(id)}`,
                    )
                  }
                >
                  Leave to {nameOf(id)}
                </Button>
              ))}
            </div>
          )}
        </div>
      )}
      {state === 'odd' && (
        <div className={styles.wrong}>
          <h3>At odds</h3>
          {account.oddIn.map((id) => (
            <p key={id}>{oddText(account, model.placement.categories.get(id))}</p>
          ))}
          {mayChange && (
            <div className={styles.tools}>
              {account.oddIn.map((id) => (
                <Button key={id} onClick={() => leaveOutOf([id], `leave ${account.label} out of ${nameOf(id)}`)}>
                  Leave it out of {nameOf(id)}
                </Button>
              ))}
            </div>
          )}
        </div>
      )}
      {mayChange && state === 'unplaced' && nearby.length > 0 && (
        <div className={styles.tools}>
          {nearby.map((id) => (
            <Button key={id} onClick={() => takeIn(id)}>
              Take it into {nameOf(id)}
            </Button>
          ))}
        </div>
      )}
      {mayChange && state === 'placed' && (
        <div className={styles.tools}>
          <Button
            onClick={() =>
              leaveOutOf(
                stands.map(({ categoryId }) => categoryId),
                `leave ${account.label} out of its range`,
              )
            }
          >
            Leave it out of the range
          </Button>
        </div>
      )}
      {mayChange && state === 'by_hand' && (
        <div className={styles.tools}>
          <Button onClick={() => actions.move([account], null, 'any')}>Give up the place by hand</Button>
        </div>
      )}
      {node && (
        <div>
          <h3>Where it lands</h3>
          {landingOf(node).map((line) => (
            <p key={line} className={styles.quiet}>
              {line}
            </p>
          ))}
        </div>
      )}
      <div>
        <h3>Beside it</h3>
        <ul>
          {beside.map((one) => (
            <li key={one.id} data-own={one.id === account.id || undefined}>
              <span>{one.label}</span>
              <span>{formatAmount(onNaturalSide(BigInt(one.amount), one.element), currency)}</span>
            </li>
          ))}
        </ul>
      </div>
    </aside>
  );
}

function CategorySide({ id, choice }: { id: number; choice: BandChoice }) {
  const { digitOrder } = useCompany();
  const mayChange = useMay('keep_placement');
  const { model, amend } = usePlacement();
  const actions = usePlacementActions();
  const dispatch = useDispatch();
  const category = model.placement.categories.get(id);
  const standing = model.standing.get(id) ?? [];
  if (!category) return null;
  const byHand = standing.filter(({ isByRange, side, account }) => !isByRange && side === 'any' && account.number !== '');
  const byRange = standing.filter(({ isByRange }) => isByRange);
  /** A range that holds the accounts and none of the others, in the place of their places by hand. */
  const makeRange = () => {
    const others = [...model.byId.values()].filter(({ id: other }) => !standing.some(({ account }) => account.id === other)).map(({ number }) => number);
    const all = standing.filter(({ side }) => side === 'any').map(({ account }) => account.number);
    const ranges = rangesHolding(
      all,
      others.filter((number) => number !== ''),
      digitOrder,
    );
    if (ranges === null)
      return void dispatch(
        noticeGiven({ tone: 'refused', text: 'No range holds these numbers alone: one that stands elsewhere is the beginning of one of them.' }),
      );
    const text = writeRangeText(ranges);
    amend(
      {
        categories: new Map([[id, { ...category, ranges: [...category.ranges.filter(({ side }) => side !== 'any'), { side: 'any', text }] }]]),
        places: new Map(byHand.map(({ account }) => [account.id, []])),
      },
      `make a range of ${counted(byHand.length, 'account')} in ${category.name}`,
    );
  };
  return (
    <aside className={styles.panel} aria-label="Chosen on the band">
      <h2>{category.name}</h2>
      <p className={styles.quiet}>
        {counted(standing.length, 'account')} directly here: {byRange.length} by range, {standing.length - byRange.length} by hand
      </p>
      {mayChange && (
        <div className={styles.tools}>
          {byHand.length > 0 && <Button onClick={makeRange}>Make a range of those by hand</Button>}
          {byRange.length > 0 && <Button onClick={() => actions.fix(byRange)}>Fix those by range by hand</Button>}
        </div>
      )}
      <ul>
        {standing.map(({ account, isByRange }) => (
          <li key={account.id}>
            <span>{account.label}</span>
            <small>{isByRange ? 'by range' : 'by hand'}</small>
          </li>
        ))}
        {standing.length === 0 && <li className={styles.quiet}>None. Write the numbers that it takes in the table, of {choice.label.toLowerCase()}.</li>}
      </ul>
    </aside>
  );
}

/** Why a range that holds its number does not have it: of another element, or of the one for its other side alone. */
function oddText({ element }: PlacedAccount, category: DescribedCategory | undefined): string {
  const name = category?.name ?? '';
  const said = `The numbers of ${name} hold it, but it is of element ${element}.`;
  if (counterElement(element) !== category?.element) return `${said} It cannot stand there.`;
  const sided = category.ranges.find(({ side }) => side !== 'any');
  if (!sided) return `${said} It could stand there only while its balance is on the other side, by a range for that side.`;
  return `${said} While in ${sided.side} it stands there once it has a place under ${element} for its other side.`;
}
