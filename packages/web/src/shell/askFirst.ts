import type { Company } from '@ivory-ladder/contract';
import { matchPath } from 'react-router';
import { statementRequest } from '../features/statements/index.ts';
import { ivoryApi } from '../shared/api/ivoryApi.ts';
import { spanInAddress } from '../shared/state/spanInAddress.ts';
import { classificationInAddress } from '../shared/state/useClassification.ts';
import { beginEarly, endUnused, holdEarly } from '../shared/workers/earlyWorker.ts';
import type { store as appStore } from './store.ts';

type Store = Pick<typeof appStore, 'dispatch'>;

const millisecondsHeld = 5000;
/** Kept for whoever asks the same; what nobody asks for goes by itself. */
const kept = { subscribe: false } as const;

/**
 * Asks for what the screen of an address will ask for, as soon as its company is known and beside the page that is drawn meanwhile: without it the
 * server would wait for the first drawing, and some of it for the answer before. A screen that is not here asks by itself.
 */
export async function askFirst(store: Store, { pathname, search }: Pick<Location, 'pathname' | 'search'>): Promise<void> {
  const inCompany = matchPath('/companies/:companyId/*', pathname)?.params;
  const companyId = Number(inCompany?.companyId);
  if (!Number.isSafeInteger(companyId) || companyId <= 0) return;
  if (isComposed(inCompany?.['*'] ?? '')) beginEarly();
  const { data: company } = await store.dispatch(ivoryApi.endpoints.getCompany.initiate({ companyId }, kept));
  if (!company) {
    endUnused();
    return;
  }
  askFor(store.dispatch, company, inCompany?.['*'] ?? '', new URLSearchParams(search));
}

function askFor(dispatch: Store['dispatch'], company: Company, path: string, params: URLSearchParams): void {
  if (company.lastEntryDay === null) return;
  const { endpoints } = ivoryApi;
  const ofCompany = { companyId: company.id };
  const ofSpan = { ...ofCompany, ...spanInAddress(company, params) };
  const { asked: classified } = classificationInAddress(company, params);
  const [room, part] = path.split('/');
  // What the eye looks for first comes first: one thread answers them one after another.
  if (room === 'statements' && part !== undefined && part !== 'sets') dispatch(endpoints.getStatement.initiate(statementRequest(company, part, params), kept));
  else if (path === 'ledger/chart') {
    dispatch(endpoints.getChart.initiate(ofSpan, kept));
    dispatch(endpoints.listChartViews.initiate(ofCompany, kept));
    dispatch(endpoints.getPlacement.initiate(ofSpan, kept));
    dispatch(endpoints.listCodeLists.initiate(ofCompany, kept));
  } else if (isComposed(path)) {
    // Of one moment, so that nobody keeps it who does not show it.
    const layout = dispatch(endpoints.getLayout.initiate({ ...ofCompany, layoutId: Number(part) }));
    setTimeout(layout.unsubscribe, millisecondsHeld);
    const placement = dispatch(endpoints.getPlacement.initiate(ofSpan, kept));
    const lists = dispatch(endpoints.listCodeLists.initiate(ofCompany, kept));
    dispatch(endpoints.listColumnPlans.initiate(ofCompany, kept));
    void Promise.all([layout, placement, lists]).then(([{ data: detail }, { data: view }, { data: listed }]) => {
      const isOfMain = company.classifications.some(({ id, isMain }) => isMain && id === detail?.classificationId);
      if (detail && isOfMain && view && listed) holdEarly({ view, company, lists: listed.lists, classificationId: detail.classificationId });
    });
  } else if (room === 'placement' && part !== 'codes') {
    dispatch(endpoints.getPlacement.initiate({ ...ofSpan, ...classified }, kept));
    if (part === 'record') dispatch(endpoints.listPlacementRecords.initiate({ ...ofCompany, ...classified }, kept));
    if (part === 'coverage') {
      dispatch(endpoints.listCodeLists.initiate(ofCompany, kept));
      dispatch(endpoints.getProofs.initiate({ ...ofSpan, ...classified }, kept));
    }
  }
}

/** Whether that is a layout which is composed there. */
function isComposed(path: string): boolean {
  return /^layouts\/\d+\/?$/.test(path);
}
