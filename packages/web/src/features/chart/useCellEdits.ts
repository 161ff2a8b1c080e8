import type { AccountChange, ChartAccountBody, CodeListBody } from '@ivory-ladder/contract';
import { type Category, codeFinder, isListKey, type ListKey } from '@ivory-ladder/core';
import { standsIn } from '../../shared/api/standsIn.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { theirsIn } from './cellConflict.ts';
import { type ManyField, manyChangesFile } from './manyChanges.ts';
import type { ChartActions } from './useChartActions.ts';

export interface CellEdits {
  readonly onEdit: (account: ChartAccountBody, columnId: string, text: string) => Promise<string | null>;
  readonly onFillDown: (from: ChartAccountBody, below: readonly ChartAccountBody[], columnId: string) => void;
}

/** The field of an account that a column edits. */
const fieldOf: Readonly<Record<string, 'number' | 'name' | 'purpose' | 'externalNumber' | 'normalSide'>> = {
  number: 'number',
  name: 'name',
  purpose: 'purpose',
  externalNumber: 'externalNumber',
  side: 'normalSide',
};

/** The field that fills down from a column; numbers and names are each account’s own. */
const filledBy: Readonly<Record<string, ManyField>> = { category: 'category', side: 'side', purpose: 'purpose', externalNumber: 'externalNumber' };

interface CellEditsOptions {
  /** Each with its path as text. */
  readonly categories: readonly (Pick<Category, 'id' | 'element'> & { readonly path: string })[];
  readonly lists: readonly CodeListBody[];
  readonly actions: ChartActions;
  /** Takes changes of many accounts to where they are looked at before they are applied. */
  readonly onLook: (file: File) => void;
}

/** Edits in the cells of the chart: one at a time at once, many through a check. */
export function useCellEdits({ categories, lists, actions, onLook }: CellEditsOptions): CellEdits {
  const place = async (account: ChartAccountBody, text: string): Promise<string | null> => {
    if (hasSides(account)) return 'It has a place for each side of its balance; change them under Placement.';
    const wanted = text.trim().toLowerCase();
    const found = categories.filter(({ path }) => path.toLowerCase() === wanted);
    const { id: category } = found.find(({ element }) => element === account.element) ?? found[0] ?? { id: null };
    if (category === null && wanted !== '') return 'There is no category of this path; choose one of those proposed, or leave it empty for none.';
    const after = category === null ? [] : [{ side: 'any' as const, categoryId: category }];
    return told(await actions.place(account, after));
  };
  const code = async (account: ChartAccountBody, key: ListKey, text: string): Promise<string | null> => {
    const version = Math.max(account.version, actions.versionLeft(account.id));
    const list = lists.find((one) => one.key === key);
    // As the list writes it, so that what was done is known again when it is taken back.
    const written = (list && codeFinder(list)(text)?.code) ?? text.trim();
    return told(await actions.changeQuietly(account, { version, codes: { [key]: written } }));
  };
  return {
    onEdit: async (account, columnId, text) => {
      if (columnId === 'category') return place(account, text);
      if (isListKey(columnId)) return code(account, columnId, text);
      const field = fieldOf[columnId];
      if (field === undefined) return 'This is not changed here.';
      // The cell beside it may have been changed a moment ago, before the row is shown with its new version.
      const version = Math.max(account.version, actions.versionLeft(account.id));
      const fields = { version, [field]: text } as AccountChange;
      const refused = await actions.changeQuietly(account, fields);
      return theirsIn(refused, field, account) ?? told(refused);
    },
    onFillDown: (from, below, columnId) => {
      const field = isListKey(columnId) ? columnId : filledBy[columnId];
      if (field === undefined) return actions.say('refused', 'Numbers and names are each account’s own; other columns fill down.');
      if (field === 'category' && hasSides(from)) return actions.say('refused', 'It has a place for each side of its balance, which does not fill down.');
      const [first] = standsIn(from);
      const value = {
        category: categories.find(({ id }) => id === first?.categoryId)?.path ?? '',
        side: from.normalSide,
        purpose: from.purpose,
        externalNumber: from.externalNumber,
        ...from.codes,
      };
      onLook(
        new File([manyChangesFile(below, { kind: 'set', field, value: value[field as keyof typeof value] ?? '' }, lists)], 'filled down.csv', {
          type: 'text/csv',
        }),
      );
    },
  };
}

/** One path in a cell would take the place of both. */
const hasSides = (account: ChartAccountBody): boolean => standsIn(account).some(({ side }) => side !== 'any');

const told = (refused: unknown): string | null => (refused === null ? null : describeFailure(refused));
