import type { CodeListBody, CodeListChange, CodeListInput, PairingRuleInput } from '@ivory-ladder/contract';
import { useDispatch } from 'react-redux';
import {
  useAddCodeListMutation,
  useAddPairingRuleMutation,
  useChangeCodeListMutation,
  useDeleteCodeListMutation,
  useDeletePairingRuleMutation,
} from '../../shared/api/codeListApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';

export interface CodeListActions {
  readonly isBusy: boolean;
  /** Its id, or `null` where it was refused. */
  add(body: CodeListInput): Promise<number | null>;
  /** Why it was refused, or `null`; what is done is said, where there is something to say. */
  change(list: CodeListBody, change: Omit<CodeListChange, 'version'>, said?: string): Promise<string | null>;
  remove(list: CodeListBody): Promise<boolean>;
  /** Whether it was done. */
  pair(rule: PairingRuleInput): Promise<boolean>;
  unpair(ruleId: number): Promise<void>;
}

/** What can be done with lists of codes; each thing is applied at once. */
export function useCodeListActions(): CodeListActions {
  const { id: companyId } = useCompany();
  const dispatch = useDispatch();
  const [addList, adding] = useAddCodeListMutation();
  const [changeList, changing] = useChangeCodeListMutation();
  const [deleteList, deleting] = useDeleteCodeListMutation();
  const [addRule, addingRule] = useAddPairingRuleMutation();
  const [deleteRule, deletingRule] = useDeletePairingRuleMutation();
  const say = (error: unknown, done: string) =>
    dispatch(noticeGiven(error === undefined ? { tone: 'done', text: done } : { tone: 'refused', text: describeFailure(error) }));
  return {
    isBusy: adding.isLoading || changing.isLoading || deleting.isLoading || addingRule.isLoading || deletingRule.isLoading,
    add: async (body) => {
      const { data, error } = await addList({ companyId, body });
      say(error, `Added: ${body.name}.`);
      return data?.id ?? null;
    },
    change: async (list, change, said) => {
      const { error } = await changeList({ companyId, listId: list.id, body: { version: list.version, ...change } });
      if (said !== undefined) say(error, said);
      return error === undefined ? null : describeFailure(error);
    },
    remove: async (list) => {
      const { error } = await deleteList({ companyId, listId: list.id });
      say(error, `Deleted: ${list.name}.`);
      return error === undefined;
    },
    pair: async (rule) => {
      const { error } = await addRule({ companyId, body: rule });
      say(error, `From here on ${rule.firstValue} does not go with ${rule.secondValue}.`);
      return error === undefined;
    },
    unpair: async (ruleId) => {
      const { error } = await deleteRule({ companyId, ruleId });
      say(error, 'The rule is gone.');
    },
  };
}
