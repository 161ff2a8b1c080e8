import type { LayoutDetail } from '@ivory-ladder/contract';
import type { OwnLayout } from '@ivory-ladder/core';
import { longDay } from '@ivory-ladder/core';
import { useDispatch } from 'react-redux';
import { useLazyGetKeptDraftQuery, useLazyGetLayoutVersionQuery, useSaveLayoutDraftMutation } from '../../shared/api/layoutApi.ts';
import { ChoiceMenu } from '../../shared/components/ChoiceMenu.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import type { Composer } from './useComposer.ts';

interface VersionsMenuProps {
  readonly composer: Composer;
  readonly detail: LayoutDetail;
  readonly mayCompose: boolean;
  readonly onDropped: (detail: LayoutDetail) => void;
  readonly onCompare: () => void;
}

/** Versions that were put in use: any two can be compared, each can be taken as the draft, as can drafts that were kept; the draft can be dropped for the one that runs. */
export function VersionsMenu({ composer, detail, mayCompose, onDropped, onCompare }: VersionsMenuProps) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [find] = useLazyGetLayoutVersionQuery();
  const [save] = useSaveLayoutDraftMutation();
  const [findKept] = useLazyGetKeptDraftQuery();
  const { versions, keptDrafts, inUse } = detail;
  if (versions.length + (mayCompose ? keptDrafts.length : 0) === 0) return null;
  const take = async (number: number) => {
    const { data, error } = await find({ companyId: company.id, layoutId: detail.id, number });
    if (data) composer.replace(data.definition as OwnLayout, `Take version ${number}`);
    else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
  };
  const takeKept = async (number: number) => {
    const { data, error } = await findKept({ companyId: company.id, layoutId: detail.id, number });
    if (data) composer.replace(data.definition as OwnLayout, 'Take a kept draft');
    else dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
  };
  const drop = async () => {
    const version = await composer.flush();
    if (version === null) return;
    const { data, error } = await save({ companyId: company.id, layoutId: detail.id, body: { version, definition: null } });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    composer.began(data.version, data.definition as OwnLayout);
    onDropped(data);
    dispatch(noticeGiven({ tone: 'done', text: 'The draft is dropped and kept under Version; the version in use stands.' }));
  };
  const taking = [
    ...versions.map(({ number, at, by, reason }) => ({
      value: String(number),
      label: `Take version ${number} as the draft: ${longDay(at.slice(0, 10))}, ${by}${reason === '' ? '' : `, «${reason}»`}`,
    })),
    ...keptDrafts.map(({ number, at, by }) => ({
      value: `kept ${number}`,
      label: `Take the draft of ${by} that was kept: ${longDay(at.slice(0, 10))}, ${at.slice(11, 16)}`,
    })),
    ...(inUse === null ? [] : [{ value: 'drop', label: 'Drop the draft' }]),
  ];
  const choose = (value: string): unknown => {
    if (value === 'compare') return onCompare();
    if (value === 'drop') return drop();
    return value.startsWith('kept ') ? takeKept(Number(value.slice(5))) : take(Number(value));
  };
  return (
    <ChoiceMenu
      label={inUse === null ? 'Versions' : `Version ${inUse}`}
      choices={[...(versions.length > 0 ? [{ value: 'compare', label: 'Compare versions…', divided: mayCompose }] : []), ...(mayCompose ? taking : [])]}
      chosen={[]}
      onChoose={(value) => void choose(value)}
    />
  );
}
