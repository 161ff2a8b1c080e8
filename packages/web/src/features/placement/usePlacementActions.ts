import type { PlacementView, PlacesChange } from '@ivory-ladder/contract';
import { useCallback, useEffect, useMemo } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { describeFailure } from '../../api/failureMessages.ts';
import { useChangeCategoryMutation, useSetPlacesMutation } from '../../api/placementApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import type { AppDispatch, AppState } from '../../app/store.ts';
import { useCompany } from '../../app/useCompany.ts';
import { isTyping } from '../../components/isTyping.ts';
import type { PlacedAccount } from './placementModel.ts';
import { type CategoryFieldsChange, commandDone, commandRedone, commandsForgotten, commandUndone, type PlacementCommand } from './undoSlice.ts';

type PlaceSide = 'any' | 'debit' | 'credit';

export interface PlacementActions {
  move(accounts: readonly PlacedAccount[], target: { id: number; name: string } | null, side: PlaceSide): Promise<boolean>;
  describeCategory(category: PlacementView['categories'][number], after: CategoryFieldsChange, name: string): Promise<boolean>;
  undo(): void;
  redo(): void;
  readonly undoName: string | null;
  readonly redoName: string | null;
}

/** What can be done with the placement; each thing is applied at once, said, and can be taken back. */
export function usePlacementActions(view: PlacementView | undefined): PlacementActions {
  const company = useCompany();
  const dispatch = useDispatch<AppDispatch>();
  const [setPlaces] = useSetPlacesMutation();
  const [changeCategory] = useChangeCategoryMutation();
  const last = useSelector((state: AppState) => state.undo.done.findLast((command) => command.companyId === company.id) ?? null);
  const next = useSelector((state: AppState) => state.undo.undone.findLast((command) => command.companyId === company.id) ?? null);

  const apply = useCallback(
    async (command: PlacementCommand, backwards: boolean): Promise<boolean> => {
      const version = command.kind === 'category' ? view?.categories.find(({ id }) => id === command.categoryId)?.version : undefined;
      const result =
        command.kind === 'places'
          ? await setPlaces({
              companyId: company.id,
              changes: backwards ? command.changes.map(({ accountId, before, after }) => ({ accountId, before: after, after: before })) : command.changes,
            })
          : await changeCategory({
              companyId: company.id,
              categoryId: command.categoryId,
              change: { version: version ?? 0, ...(backwards ? command.before : command.after) },
            });
      if (result.error === undefined) return true;
      dispatch(noticeGiven({ tone: 'refused', text: describeFailure(result.error) }));
      return false;
    },
    [company.id, dispatch, setPlaces, changeCategory, view],
  );
  const run = useCallback(
    async (command: PlacementCommand, said: string): Promise<boolean> => {
      const done = await apply(command, false);
      if (done) {
        dispatch(commandDone(command));
        dispatch(noticeGiven({ tone: 'done', text: `${said} Ctrl Z takes it back.` }));
      }
      return done;
    },
    [apply, dispatch],
  );
  const move = useCallback<PlacementActions['move']>(
    (accounts, target, side) => {
      const changes: PlacesChange['changes'] = accounts.map(({ id, places }) => ({
        accountId: id,
        before: places,
        after: target === null ? [] : placesAfter(places, target.id, side),
      }));
      const first = accounts[0];
      const what = accounts.length === 1 && first ? `${first.number} ${first.name}` : `${accounts.length} accounts`;
      const name = target === null ? `take ${what} out of its category` : `move ${what} to ${target.name}`;
      return run(
        { kind: 'places', companyId: company.id, name, changes },
        target === null ? `Applied: ${what} unplaced.` : `Applied: ${what} moved to ${target.name}.`,
      );
    },
    [company.id, run],
  );
  const describeCategory = useCallback<PlacementActions['describeCategory']>(
    (category, after, name) => {
      const before = Object.fromEntries(
        Object.keys(after)
          .filter((key) => key !== 'after')
          .map((key) => [key, category[key as keyof typeof category]]),
      ) as CategoryFieldsChange;
      return run({ kind: 'category', companyId: company.id, name, categoryId: category.id, before, after }, `Applied: ${name}.`);
    },
    [company.id, run],
  );
  const back = useCallback(
    async (command: PlacementCommand | null, backwards: boolean) => {
      if (!command) return;
      if (await apply(command, backwards)) {
        dispatch(backwards ? commandUndone() : commandRedone());
        dispatch(noticeGiven({ tone: 'done', text: `${backwards ? 'Undone' : 'Redone'}: ${command.name}.` }));
      } else dispatch(commandsForgotten());
    },
    [apply, dispatch],
  );
  const undo = useCallback(() => void back(last, true), [back, last]);
  const redo = useCallback(() => void back(next, false), [back, next]);
  useUndoKeys(undo, redo);
  return useMemo(
    () => ({ move, describeCategory, undo, redo, undoName: last?.name ?? null, redoName: next?.name ?? null }),
    [move, describeCategory, undo, redo, last, next],
  );
}

/** A place for any balance replaces all; one for a side replaces that side and narrows an old place to the other. */
function placesAfter(places: PlacedAccount['places'], categoryId: number, side: PlaceSide): PlacedAccount['places'] {
  if (side === 'any') return [{ side, categoryId }];
  const other = side === 'debit' ? 'credit' : 'debit';
  const kept = places.find((place) => place.side === other || place.side === 'any');
  return [{ side, categoryId }, ...(kept ? [{ side: other as PlaceSide, categoryId: kept.categoryId }] : [])];
}

function useUndoKeys(undo: () => void, redo: () => void): void {
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event) || !(event.ctrlKey || event.metaKey)) return;
      const key = event.key.toLowerCase();
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      if (key === 'y' || event.shiftKey) redo();
      else undo();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [undo, redo]);
}
