import { type Element, isIncomeOrExpense } from '@ivory-ladder/core';
import { useNavigate } from 'react-router';
import { spanSearch } from '../../shared/state/spanSearch.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';

/** Goes to the line of a category on its statement, with what it is made of beside it. */
export function useShowOnStatement(): (categoryId: number, element: Element) => void {
  const { id: companyId } = useCompany();
  const { asked } = useClassification();
  const navigate = useNavigate();
  return (categoryId, element) => {
    const params = spanSearch(window.location.search);
    params.set('cell', `category.${categoryId}~0`);
    if (asked.classification !== undefined) params.set('classification', String(asked.classification));
    void navigate({
      pathname: `/companies/${companyId}/statements/${isIncomeOrExpense(element) ? 'income-statement' : 'balance-sheet'}`,
      search: params.toString(),
    });
  };
}
