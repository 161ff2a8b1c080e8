import { addedPairingRule, codeList, codeListChange, codeListInput, codeLists, pairingRuleInput } from './codeLists.ts';
import type { Operation } from './operation.ts';

/** Lists of report codes, and facets with their values. */
export const codeListOperations = {
  listCodeLists: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/code-lists',
    summary: 'Lists of report codes and facets, with how many accounts have each code',
    answer: codeLists,
  },
  addCodeList: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/code-lists',
    summary: 'Add a list of report codes, or a facet',
    body: codeListInput,
    answer: codeList,
    status: 201,
  },
  changeCodeList: {
    needs: 'preparer',
    method: 'patch',
    path: '/companies/{companyId}/code-lists/{listId}',
    summary: 'Rename a list, and add, change or take away codes; a code that accounts have stays',
    body: codeListChange,
    answer: codeList,
  },
  deleteCodeList: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/code-lists/{listId}',
    summary: 'Delete a list that no account has a code of',
    answer: 'none',
    status: 204,
  },
  addPairingRule: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/pairing-rules',
    summary: 'Forbid values of two facets on one line; lines that have them stay as they are',
    body: pairingRuleInput,
    answer: addedPairingRule,
    status: 201,
  },
  deletePairingRule: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/pairing-rules/{ruleId}',
    summary: 'Take a pairing rule away',
    answer: 'none',
    status: 204,
  },
} as const satisfies Record<string, Operation>;
