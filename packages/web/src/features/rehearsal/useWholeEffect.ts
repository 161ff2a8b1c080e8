import type { PlacementDraftBody, StatementEffect } from '@ivory-ladder/contract';
import { isEmptyDraft } from '@ivory-ladder/core';
import { useRehearsePlacementQuery } from '../../shared/api/placementApi.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { useSettled } from '../../shared/state/useSettled.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { usePlacement } from './usePlacement.ts';

const millisecondsBeforeLooking = 400;

export interface WholeEffectOfDraft {
  /** `null` until it is there. */
  readonly effect: StatementEffect | null;
  readonly failure: unknown;
  /** Whether the panel beside it tells of a statement by itself: the two that are run with each move. */
  isLive(statement: StatementEffect['lookedAt'][number]): boolean;
}

/** What the draft does to everything that the company reports; asked of the server once the draft has come to rest. */
export function useWholeEffect(): WholeEffectOfDraft {
  const { id: companyId } = useCompany();
  const { span } = useSpan();
  const { classification, asked } = useClassification();
  const { draft } = usePlacement();
  const settled = useSettled(draft, millisecondsBeforeLooking);
  const { currentData, error } = useRehearsePlacementQuery(
    { companyId, body: { draft: settled as PlacementDraftBody, ...span, ...asked } },
    { skip: isEmptyDraft(settled) },
  );
  const own = classification.isMain ? null : classification.name;
  return {
    effect: settled === draft ? (currentData ?? null) : null,
    failure: error,
    isLive: (statement) => statement.classification === own && (statement.generated === 'balance_sheet' || statement.generated === 'income_statement'),
  };
}
