import type { PlacementView, PlacesChange } from '@ivory-ladder/contract';
import { useCallback, useMemo } from 'react';
import { useDispatch } from 'react-redux';
import { describeFailure } from '../../api/failureMessages.ts';
import { standsIn } from '../../api/standsIn.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import type { CategoryFieldsChange } from '../../app/undoSlice.ts';
import { type CommandDraft, useCommands } from '../../app/useCommands.ts';
import type { PlacedAccount, StandingAccount } from './placementModel.ts';

type PlaceSide = 'any' | 'debit' | 'credit';

export interface PlacementActions {
  move(accounts: readonly PlacedAccount[], target: { id: number; name: string } | null, side: PlaceSide): Promise<boolean>;
  /** Places by hand where a range has them. */
  fix(standing: readonly StandingAccount[]): Promise<boolean>;
  describeCategory(category: PlacementView['categories'][number], after: CategoryFieldsChange, name: string): Promise<boolean>;
  undo(): void;
  redo(): void;
  readonly undoName: string | null;
  readonly redoName: string | null;
}

/** What can be done with the placement; each thing is applied at once, said, and can be taken back. */
export function usePlacementActions(view: PlacementView | undefined): PlacementActions {
  const dispatch = useDispatch();
  const versionOf = useCallback(
    (command: CommandDraft) => (command.kind === 'category' ? (view?.categories.find(({ id }) => id === command.categoryId)?.version ?? 0) : 0),
    [view],
  );
  const { run, undo, redo, undoName, redoName } = useCommands('placement', versionOf);
  const done = useCallback(
    async (command: CommandDraft, said: string): Promise<boolean> => {
      const refused = await run(command);
      dispatch(noticeGiven(refused === null ? { tone: 'done', text: `${said} Ctrl Z takes it back.` } : { tone: 'refused', text: describeFailure(refused) }));
      return refused === null;
    },
    [run, dispatch],
  );
  const move = useCallback<PlacementActions['move']>(
    (accounts, target, side) => {
      const changes: PlacesChange['changes'] = accounts.map(({ id, places, placesByRange }) => ({
        accountId: id,
        before: places,
        after: target === null ? [] : placesAfter(standsIn({ places, placesByRange }), target.id, side),
      }));
      const first = accounts[0];
      const what = accounts.length === 1 && first ? first.label : `${accounts.length} accounts`;
      const name = target === null ? `take ${what} out of its category` : `move ${what} to ${target.name}`;
      return done({ kind: 'places', name, changes }, target === null ? `Applied: ${what} unplaced.` : `Applied: ${what} moved to ${target.name}.`);
    },
    [done],
  );
  const fix = useCallback<PlacementActions['fix']>(
    (standing) => {
      const changes = standing.map(({ account }) => ({ accountId: account.id, before: account.places, after: standsIn(account) }));
      const what = standing.length === 1 && standing[0] ? standing[0].account.label : `${standing.length} accounts`;
      return done(
        { kind: 'places', name: `fix ${what} by hand`, changes },
        `Applied: ${what} fixed by hand where ${standing.length === 1 ? 'it stands' : 'they stand'}.`,
      );
    },
    [done],
  );
  const describeCategory = useCallback<PlacementActions['describeCategory']>(
    (category, after, name) => {
      const before = Object.fromEntries(
        Object.keys(after)
          .filter((key) => key !== 'after')
          .map((key) => [key, category[key as keyof typeof category]]),
      ) as CategoryFieldsChange;
      return done({ kind: 'category', name, categoryId: category.id, before, after }, `Applied: ${name}.`);
    },
    [done],
  );
  return useMemo(() => ({ move, fix, describeCategory, undo, redo, undoName, redoName }), [move, fix, describeCategory, undo, redo, undoName, redoName]);
}

/** A place for any balance replaces all; one for a side replaces that side and narrows an old place to the other. */
function placesAfter(places: PlacedAccount['places'], categoryId: number, side: PlaceSide): PlacedAccount['places'] {
  if (side === 'any') return [{ side, categoryId }];
  const other = side === 'debit' ? 'credit' : 'debit';
  const kept = places.find((place) => place.side === other || place.side === 'any');
  return [{ side, categoryId }, ...(kept ? [{ side: other as PlaceSide, categoryId: kept.categoryId }] : [])];
}
