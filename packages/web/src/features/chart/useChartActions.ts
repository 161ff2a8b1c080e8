import type { AccountBody, AccountChange, AccountInputBody, ChartAccountBody, Renumbering } from '@ivory-ladder/contract';
import { accountLabel } from '@ivory-ladder/core';
import { useCallback } from 'react';
import { useDispatch } from 'react-redux';
import { useAddAccountMutation, useDeleteAccountMutation } from '../../shared/api/chartApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { type CommandDraft, useCommands } from '../../shared/state/useCommands.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { obstacleOf } from './Obstacles.tsx';
import { fieldsBefore, isAsLeft } from './takingBack.ts';
import { useAccountEffect } from './useAccountEffect.ts';

export interface ChartActions {
  readonly isBusy: boolean;
  say(tone: 'done' | 'refused', text: string): void;
  /** The account as it was saved, or `null` where it was refused. */
  add(body: AccountInputBody): Promise<AccountBody | null>;
  change(account: ChartAccountBody, fields: AccountChange, said?: string): Promise<boolean>;
  /** The same without a word but for what it does to figures; gives why it was refused, or `null`. */
  changeQuietly(account: ChartAccountBody, fields: AccountChange): Promise<unknown>;
  /** The version of an account that the last change from here left. */
  versionLeft(accountId: number): number;
  /** Gives why it was refused, or `null`. */
  place(account: ChartAccountBody, after: ChartAccountBody['places']): Promise<unknown>;
  /** Retires or reopens it; gives why not, or `null`. What stands in the way is for the caller to show. */
  setActive(account: ChartAccountBody, active: boolean): Promise<unknown>;
  /** Gives why not, or `null`. */
  remove(account: ChartAccountBody): Promise<unknown>;
  renumber(changes: Renumbering['changes']): Promise<boolean>;
}

/** Milliseconds that a change waits for what it does to figures. */
const longestWait = 600;

/** What can be done with the chart; each thing says whether it was done, and if not, why. */
export function useChartActions(accounts: readonly ChartAccountBody[]): ChartActions {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const [add, adding] = useAddAccountMutation();
  const versionOf = useCallback(
    (command: CommandDraft, isBack: boolean): number | null => {
      if (command.kind === 'numbers') {
        const numberOf = new Map(accounts.map(({ id, number }) => [id, number]));
        return command.changes.every(({ accountId, before, after }) => numberOf.get(accountId) === (isBack ? after : before)) ? 0 : null;
      }
      if (command.kind !== 'account') return 0;
      const account = accounts.find(({ id }) => id === command.accountId);
      return account && isAsLeft(account, isBack ? command.after : command.before) ? account.version : null;
    },
    [accounts],
  );
  const accountVersion = useCallback((accountId: number): number => accounts.find(({ id }) => id === accountId)?.version ?? 0, [accounts]);
  const commands = useCommands('chart', versionOf, accountVersion);
  const [remove, removing] = useDeleteAccountMutation();
  const say: ChartActions['say'] = (tone, text) => void dispatch(noticeGiven({ tone, text }));
  const refuse = (error: unknown) => say('refused', describeFailure(error));
  const effect = useAccountEffect();
  /** Does it when its effect is known, or without it where that takes longer; then it is said when it is there. */
  const stating = async (account: ChartAccountBody, effectOf: Promise<string>, run: () => Promise<unknown>): Promise<unknown> => {
    await Promise.race([effectOf, new Promise((settle) => setTimeout(settle, longestWait))]);
    const refused = await run();
    if (refused === null) void effectOf.then((text) => text !== '' && say('done', `Changed: ${accountLabel(account)}. ${text} Ctrl Z takes it back.`));
    return refused;
  };
  const runChange = (account: ChartAccountBody, change: AccountChange) => {
    const { version, ...after } = change;
    const before = fieldsBefore(accounts, account, change);
    return commands.run({ kind: 'account', name: `change ${accountLabel(account)}`, accountId: account.id, before, after }, version);
  };
  const changeQuietly: ChartActions['changeQuietly'] = (account, change) =>
    stating(account, effect.ofChange(account.id, change), () => runChange(account, change));
  return {
    isBusy: commands.isBusy || adding.isLoading || removing.isLoading,
    say,
    add: async (body) => {
      const added = await add({ companyId, body });
      if (!added.data) {
        refuse(added.error);
        return null;
      }
      say('done', `Added: ${accountLabel(added.data)}.`);
      return added.data;
    },
    change: async (account, fields, said) => {
      // Its effect was looked at in the form.
      const refused = await runChange(account, fields);
      if (refused !== null) refuse(refused);
      else
        say(
          'done',
          `${said ?? `Changed: ${accountLabel({ number: fields.number ?? account.number, name: fields.name ?? account.name })}.`} Ctrl Z takes it back.`,
        );
      return refused === null;
    },
    changeQuietly,
    versionLeft: commands.versionLeft,
    place: (account, after) => {
      const changes = [{ accountId: account.id, before: [...account.places], after }];
      return stating(account, effect.ofPlaces(changes), () => commands.run({ kind: 'places', name: `place ${accountLabel(account)}`, changes }));
    },
    setActive: async (account, active) => {
      const refused = await runChange(account, { version: account.version, active });
      if (refused === null) say('done', `${active ? 'Reopened' : 'Retired'}: ${accountLabel(account)}. Ctrl Z takes it back.`);
      else if (obstacleOf(refused) === null) refuse(refused);
      return refused;
    },
    remove: async (account) => {
      const removed = await remove({ companyId, accountId: account.id });
      if (removed.error === undefined) say('done', `Deleted: ${accountLabel(account)}.`);
      else if (obstacleOf(removed.error) === null) refuse(removed.error);
      return removed.error ?? null;
    },
    renumber: async (changes) => {
      const numberOf = new Map(accounts.map(({ id, number }) => [id, number]));
      const refused = await commands.run({
        kind: 'numbers',
        name: `renumber ${counted(changes.length, 'account')}`,
        changes: changes.map(({ accountId, number }) => ({ accountId, before: numberOf.get(accountId) ?? '', after: number })),
      });
      if (refused !== null) refuse(refused);
      else say('done', `Applied: ${counted(changes.length, 'account')} renumbered; each stays in its category and on its lines. Ctrl Z takes it back.`);
      return refused === null;
    },
  };
}
