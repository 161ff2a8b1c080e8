import type { ChartAccountBody } from '@ivory-ladder/contract';
import { ivoryApi } from '../api/ivoryApi.ts';
import type { AppDispatch, AppState } from './appState.ts';

/** What the charts shown say of an account, until they have been read anew. */
export function showInChart(companyId: number, accountId: number, fields: Partial<ChartAccountBody>) {
  return (dispatch: AppDispatch, getState: () => AppState): void => {
    for (const args of ivoryApi.util.selectCachedArgsForQuery(getState(), 'getChart').filter((one) => one.companyId === companyId))
      dispatch(
        ivoryApi.util.updateQueryData('getChart', args, ({ accounts }) => {
          const at = accounts.findIndex(({ id }) => id === accountId);
          if (accounts[at]) Object.assign(accounts[at], fields);
        }),
      );
  };
}
