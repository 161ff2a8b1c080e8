import type { ReadPlacementBody } from '@ivory-ladder/contract';
import { draftWithIds } from '@ivory-ladder/core';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import { useReadPlacementFileMutation } from '../../shared/api/placementApi.ts';
import { addressOf } from '../../shared/api/requestOf.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useClassification } from '../../shared/state/useClassification.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { usePlacement } from '../rehearsal/index.ts';

export interface PlacementFile {
  /** Saves the placement as it is applied. */
  save(kind: 'csv' | 'xlsx'): void;
  /** What the file changes joins the rehearsal; a file with faults changes nothing. */
  load(file: File): Promise<void>;
  /** Of the file that was loaded last; `null` where it had none. */
  readonly wrong: { readonly file: string; readonly read: ReadPlacementBody } | null;
  forget(): void;
}

export function usePlacementFile(): PlacementFile {
  const { id: companyId } = useCompany();
  const { asked } = useClassification();
  const { model, amend } = usePlacement();
  const dispatch = useDispatch();
  const [read] = useReadPlacementFileMutation();
  const [wrong, setWrong] = useState<PlacementFile['wrong']>(null);
  return {
    wrong,
    forget: () => setWrong(null),
    save: (kind) => {
      window.location.assign(addressOf('exportPlacement', { companyId, kind, ...asked }));
    },
    load: async (file) => {
      const { data, error } = await read({ companyId, file, ...asked });
      if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
      if (data.faultCount > 0) return setWrong({ file: file.name, read: data });
      if (data.accounts + data.categories === 0) return void dispatch(noticeGiven({ tone: 'done', text: `${file.name} says what stands already.` }));
      // New categories of the file and of the rehearsal are told apart by their ids.
      const lowest = Math.min(0, ...model.placement.categories.keys());
      const made = data.draft.categories.filter(({ id }) => id < 0).map(({ id }): [number, number] => [id, lowest + id]);
      const { places, categories } = draftWithIds(data.draft, new Map(made));
      const joined = amend(
        { places: new Map(places.map(({ accountId, after }) => [accountId, after])), categories: new Map(categories.map(({ id, after }) => [id, after])) },
        `load ${file.name}`,
      );
      const text = `Loaded: ${counted(data.accounts, 'account')} and ${counted(data.categories, 'category', 'categories')} differ. Nothing is applied yet.`;
      if (joined) dispatch(noticeGiven({ tone: 'done', text }));
    },
  };
}
