import { useCallback, useMemo } from 'react';
import { useParams } from 'react-router';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { readCell } from '../evidence/index.ts';
import { planInAddress, statementRequest } from './statementRequest.ts';

const listOf = (text: string | null): string[] => (text ?? '').split(',').filter((key) => key !== '');

/** The statement, its detail and the cell that is opened, all of it from the address. */
export function useStatementAddress() {
  const company = useCompany();
  const { kind: kindText } = useParams();
  const [params, change] = useAddress();
  const request = useMemo(() => statementRequest(company, kindText, params), [company, kindText, params]);
  const planned = useMemo(() => planInAddress(params), [params]);
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
  return { kind: request.kind as StatementKind, planned, request, change, toggle, cell: readCell(params.get('cell')) };
}
