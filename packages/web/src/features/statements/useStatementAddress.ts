import { columnPlans, scaleUnits } from '@ivory-ladder/core';
import { useCallback, useMemo } from 'react';
import { useParams } from 'react-router';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import type { PlanParams, PresentationParams, StatementParams } from '../../shared/api/statementParams.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useFacetFilter } from '../../shared/state/useFacetFilter.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { readCell } from '../evidence/index.ts';
import { readPresentation } from './presentationText.ts';
import { statementNames } from './StatementNav.tsx';

const listOf = (text: string | null): string[] => (text ?? '').split(',').filter((key) => key !== '');

/** The statement, its detail and the cell that is opened, all of it from the address. */
export function useStatementAddress() {
  const company = useCompany();
  const { span } = useSpan();
  const { kind: kindText } = useParams();
  const [params, change] = useAddress();
  const kind = kindOf(kindText);
  const detail = readDetail(params.get('detail'));
  const { facets } = useFacetFilter();
  const { classification } = useClassification().asked;
  const planned = useMemo((): PlanParams => {
    if (params.get('plan') === 'composed') return { plan: 'composed', planId: Number(params.get('planId')) };
    const plan = columnPlans.find((one) => one === params.get('plan'));
    return { ...(plan ? { plan } : {}), ...(params.has('budget') ? { budget: Number(params.get('budget')) } : {}) };
  }, [params]);
  const request = useMemo(
    (): StatementParams => ({
      companyId: company.id,
      kind,
      ...span,
      detail,
      open: params.get('open') ?? '',
      shut: params.get('shut') ?? '',
      zero: params.get('zero') === '1' ? '1' : '0',
      scale: scaleUnits.find((unit) => unit === params.get('scale')) ?? 'exact',
      rounding: params.get('rounding') === 'independent' ? 'independent' : 'footed',
      language: params.get('language') ?? '',
      ...presented(params, company.currency),
      ...planned,
      facets,
      ...(classification === undefined ? {} : { classification }),
    }),
    [company.id, company.currency, kind, span, detail, params, planned, facets, classification],
  );
  const toggle = useCallback(
    (key: string, isOpen: boolean) => {
      const opened = new Set(listOf(params.get('open')));
      const shut = new Set(listOf(params.get('shut')));
      if (isOpen) {
        opened.delete(key);
        shut.add(key);
      } else {
        shut.delete(key);
        opened.add(key);
      }
      change({ open: [...opened].join(','), shut: [...shut].join(',') });
    },
    [params, change],
  );
  return { kind, planned, request, change, toggle, cell: readCell(params.get('cell')) };
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
