import { useCallback, useMemo, useRef } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { useChangeAccountMutation, useRenumberAccountsMutation } from '../api/chartApi.ts';
import { useSetPlacesMutation } from '../api/placementApi.ts';
import { describeFailure } from '../words/failureMessages.ts';
import type { AppDispatch, AppState } from './appState.ts';
import { noticeGiven } from './noticeSlice.ts';
import { showInChart } from './showInChart.ts';
import { type Command, type CommandScreen, commandDone, commandRedone, commandsForgotten, commandUndone } from './undoSlice.ts';
import { useCompany } from './useCompany.ts';
import { useUndoKeys } from './useUndoKeys.ts';

type WithoutPlace<One> = One extends Command ? Omit<One, 'id' | 'screen' | 'companyId'> : never;
/** A command before it is known where it is done. */
export type CommandDraft = WithoutPlace<Command>;

export interface Commands {
  readonly isBusy: boolean;
  /** Does it, to the version that was looked at, and remembers how to take it back; gives why it was refused, or `null`. */
  run(draft: CommandDraft, version?: number): Promise<unknown>;
  /** The version of an account that the last change from here left, which may be newer than the one shown; 0 where there was none. */
  versionLeft(accountId: number): number;
  undo(): void;
  redo(): void;
  readonly undoName: string | null;
  readonly redoName: string | null;
}

const noVersion = (): number => 0;

/**
 * What is done on a screen, and taken back with Ctrl Z, done again with Ctrl Y. `versionOf` gives the version of what a
 * command changes, as it is shown now, or `null` where it is not any more as the command left or found it (`isBack`):
 * then somebody else has changed it, and nothing is overwritten. `accountVersion` gives that of an account, as it is shown.
 */
export function useCommands(
  screen: CommandScreen,
  versionOf: (command: CommandDraft, isBack: boolean) => number | null,
  accountVersion: (accountId: number) => number = noVersion,
): Commands {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch<AppDispatch>();
  const [setPlaces, placing] = useSetPlacesMutation();
  const [changeAccount, changingAccount] = useChangeAccountMutation();
  const [renumber, renumbering] = useRenumberAccountsMutation();
  const isBusy = placing.isLoading || changingAccount.isLoading || renumbering.isLoading;
  const isHere = (command: Command) => command.companyId === companyId && command.screen === screen;
  const last = useSelector((state: AppState) => state.undo.done.findLast(isHere) ?? null);
  const next = useSelector((state: AppState) => state.undo.undone.findLast(isHere) ?? null);
  const versionsLeft = useRef(new Map<number, number>());
  const versionLeft = useCallback((accountId: number) => versionsLeft.current.get(accountId) ?? 0, []);
  // What is done is shown before it is said to be done; what the server makes of the rest comes a little later.
  const apply = useCallback(
    async (command: CommandDraft, backwards: boolean, version: number | null): Promise<unknown> => {
      if (version === null) return { code: 'changed_meanwhile' };
      switch (command.kind) {
        case 'places': {
          const turned = command.changes.map(({ accountId, before, after }) => ({ accountId, before: after, after: before }));
          const changes = backwards ? turned : command.changes;
          const { error = null } = await setPlaces({ companyId, body: { changes } });
          if (error === null) for (const { accountId, after } of changes) dispatch(showInChart(companyId, accountId, { places: after }));
          return error;
        }
        case 'numbers': {
          const changes = command.changes.map(({ accountId, before, after }) => ({
            accountId,
            version: accountVersion(accountId),
            number: backwards ? before : after,
          }));
          return (await renumber({ companyId, body: { changes } })).error ?? null;
        }
        case 'account': {
          const change = { version, ...(backwards ? command.before : command.after) };
          const { data, error = null } = await changeAccount({ companyId, accountId: command.accountId, body: change });
          if (data) {
            versionsLeft.current.set(data.id, data.version);
            dispatch(showInChart(companyId, data.id, data));
          }
          return error;
        }
      }
    },
    [companyId, dispatch, setPlaces, changeAccount, renumber, accountVersion],
  );
  const run = useCallback(
    async (draft: CommandDraft, version?: number): Promise<unknown> => {
      const refused = await apply(draft, false, version ?? versionOf(draft, false));
      if (refused === null) dispatch(commandDone({ ...draft, id: crypto.randomUUID(), screen, companyId }));
      return refused;
    },
    [apply, dispatch, versionOf, screen, companyId],
  );
  const back = useCallback(
    async (command: Command | null, backwards: boolean) => {
      if (!command) return;
      const refused = await apply(command, backwards, versionOf(command, backwards));
      if (refused === null) {
        dispatch(backwards ? commandUndone(command) : commandRedone(command));
        dispatch(noticeGiven({ tone: 'done', text: `${backwards ? 'Undone' : 'Redone'}: ${command.name}.` }));
      } else {
        dispatch(noticeGiven({ tone: 'refused', text: describeFailure(refused) }));
        dispatch(commandsForgotten({ screen, companyId }));
      }
    },
    [apply, dispatch, versionOf, screen, companyId],
  );
  const undo = useCallback(() => void back(last, true), [back, last]);
  const redo = useCallback(() => void back(next, false), [back, next]);
  useUndoKeys(undo, redo);
  return useMemo(
    () => ({ isBusy, run, versionLeft, undo, redo, undoName: last?.name ?? null, redoName: next?.name ?? null }),
    [isBusy, run, versionLeft, undo, redo, last, next],
  );
}
