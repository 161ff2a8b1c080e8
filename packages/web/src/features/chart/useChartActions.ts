import type { AccountBody, AccountChange, AccountInputBody, ChartAccountBody, Renumbering } from '@ivory-ladder/contract';
import { useDispatch } from 'react-redux';
import { useAddAccountMutation, useChangeAccountMutation, useDeleteAccountMutation, useRenumberAccountsMutation } from '../../api/chartApi.ts';
import { describeFailure } from '../../api/failureMessages.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useCompany } from '../../app/useCompany.ts';
import { counted } from '../../components/counted.ts';

export interface ChartActions {
  readonly isBusy: boolean;
  say(tone: 'done' | 'refused', text: string): void;
  /** The account as it was saved, or `null` where it was refused. */
  add(body: AccountInputBody): Promise<AccountBody | null>;
  change(account: ChartAccountBody, fields: AccountChange, said?: string): Promise<boolean>;
  remove(account: ChartAccountBody): Promise<boolean>;
  renumber(changes: Renumbering['changes']): Promise<boolean>;
}

/** What can be done with the chart; each thing says whether it was done, and if not, why. */
export function useChartActions(): ChartActions {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const [add, adding] = useAddAccountMutation();
  const [change, changing] = useChangeAccountMutation();
  const [remove, removing] = useDeleteAccountMutation();
  const [renumber, renumbering] = useRenumberAccountsMutation();
  const say: ChartActions['say'] = (tone, text) => void dispatch(noticeGiven({ tone, text }));
  const refuse = (error: unknown) => say('refused', describeFailure(error));
  return {
    isBusy: adding.isLoading || changing.isLoading || removing.isLoading || renumbering.isLoading,
    say,
    add: async (body) => {
      const added = await add({ companyId, body });
      if (!added.data) {
        refuse(added.error);
        return null;
      }
      say('done', `Added: ${added.data.number} ${added.data.name}.`);
      return added.data;
    },
    change: async (account, fields, said) => {
      const changed = await change({ companyId, accountId: account.id, change: fields });
      if (!changed.data) {
        refuse(changed.error);
        return false;
      }
      say(
        'done',
        said ?? `${fields.active === false ? 'Retired' : fields.active === true ? 'Reopened' : 'Changed'}: ${changed.data.number} ${changed.data.name}.`,
      );
      return true;
    },
    remove: async (account) => {
      const removed = await remove({ companyId, accountId: account.id });
      if (removed.error !== undefined) {
        refuse(removed.error);
        return false;
      }
      say('done', `Deleted: ${account.number} ${account.name}.`);
      return true;
    },
    renumber: async (changes) => {
      const done = await renumber({ companyId, changes });
      if (!done.data) {
        refuse(done.error);
        return false;
      }
      say('done', `Applied: ${counted(done.data.renumbered, 'account')} renumbered; nothing on the statements has changed.`);
      return true;
    },
  };
}
