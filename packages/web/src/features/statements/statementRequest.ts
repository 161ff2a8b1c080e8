import type { Company } from '@ivory-ladder/contract';
import { columnPlans, scaleUnits } from '@ivory-ladder/core';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import type { PlanParams, PresentationParams, StatementParams } from '../../shared/api/statementParams.ts';
import { spanInAddress } from '../../shared/state/spanInAddress.ts';
import { classificationInAddress } from '../../shared/state/useClassification.ts';
import { facetsInAddress } from '../../shared/state/useFacetFilter.ts';
import { readPresentation } from './presentationText.ts';
import { statementNames } from './StatementNav.tsx';

/** What an address asks for of a statement; `kind` is the last part of its path. */
export function statementRequest(company: Company, kind: string | undefined, params: URLSearchParams): StatementParams {
  return {
    companyId: company.id,
    kind: kindOf(kind),
    ...spanInAddress(company, params),
    detail: readDetail(params.get('detail')),
    open: params.get('open') ?? '',
    shut: params.get('shut') ?? '',
    zero: params.get('zero') === '1' ? '1' : '0',
    scale: scaleUnits.find((unit) => unit === params.get('scale')) ?? 'exact',
    rounding: params.get('rounding') === 'independent' ? 'independent' : 'footed',
    language: params.get('language') ?? '',
    ...presented(params, company.currency),
    ...planInAddress(params),
    facets: facetsInAddress(params),
    ...classificationInAddress(company, params).asked,
  };
}

/** What stands across the page. */
export function planInAddress(params: URLSearchParams): PlanParams {
  if (params.get('plan') === 'composed') return { plan: 'composed', planId: Number(params.get('planId')) };
  const plan = columnPlans.find((one) => one === params.get('plan'));
  return { ...(plan ? { plan } : {}), ...(params.has('budget') ? { budget: Number(params.get('budget')) } : {}) };
}

/** How deep lines are shown: so many rungs, or down to the accounts. */
function readDetail(text: string | null): StatementParams['detail'] {
  return text === 'accounts' ? text : /^[1-9]$/.test(text ?? '') ? Number(text) : 2;
}

/** Of an address that another company was looked at with, the currency may be this one's own. */
function presented(params: URLSearchParams, own: string): PresentationParams {
  const presentation = readPresentation(params.get('currency'));
  return presentation && presentation.currency !== own ? { currency: presentation.currency, translation: presentation.method } : {};
}

function kindOf(text: string | undefined): StatementKind {
  const [, id] = /^layout-([1-9]\d*)$/.exec(text ?? '') ?? [];
  if (id !== undefined) return `layout-${Number(id)}`;
  return (Object.keys(statementNames) as (keyof typeof statementNames)[]).find((name) => name === text) ?? 'income-statement';
}
