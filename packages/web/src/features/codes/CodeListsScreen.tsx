import type { CodeListChange } from '@ivory-ladder/contract';
import { useMemo, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useListCodeListsQuery } from '../../shared/api/codeListApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { copiedText } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid } from '../../shared/components/treegrid/TreeGrid.tsx';
import { usePaste } from '../../shared/components/usePaste.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { PlacementTabs } from '../placement/index.ts';
import styles from './CodeListsScreen.module.css';
import { codeColumns, type ListedCodeRow, rowsOf } from './codeColumns.tsx';
import { ListOfLists } from './ListOfLists.tsx';
import { ListPanel } from './ListPanel.tsx';
import { pastedCodes } from './pastedCodes.ts';
import { useCodeListActions } from './useCodeListActions.ts';

/** Lists of report codes and facets: their codes in a table that is edited in its cells. */
export function CodeListsScreen() {
  const company = useCompany();
  const mayKeep = useMay('keep_chart');
  const dispatch = useDispatch();
  const [params, change] = useAddress();
  const { data, error } = useListCodeListsQuery({ companyId: company.id });
  const actions = useCodeListActions();
  const [chosenPlace, setChosenPlace] = useState(0);
  const lists = data?.lists ?? [];
  const list = lists.find(({ id }) => id === Number(params.get('list'))) ?? lists[0] ?? null;
  const rows = useMemo(() => (list ? rowsOf(list) : []), [list]);
  const columns = useMemo(() => (list ? codeColumns(list) : []), [list]);
  const word = list?.kind === 'facet' ? 'value' : 'code';
  const choose = (listId: number | null) => {
    setChosenPlace(0);
    change({ list: listId === null ? null : String(listId) });
  };
  const onEdit = async ({ depth: _, place: __, accounts: ___, ...listed }: ListedCodeRow, columnId: string, text: string): Promise<string | null> => {
    if (!list) return null;
    const value = columnId === 'code' || columnId === 'caption' ? text.trim() : text.trim() || null;
    const set = [{ ...listed, was: listed.code, [columnId]: value }] as NonNullable<CodeListChange['set']>;
    return actions.change(list, { set });
  };
  usePaste(mayKeep && list !== null, (text) => {
    const set = list && pastedCodes(text, list);
    if (!list || !set) return false;
    void actions.change(list, { set }, `Pasted: ${counted(set.length, 'code')}.`);
    return true;
  });
  if (error !== undefined && !data) return <EmptyState title="The lists cannot be shown">{describeFailure(error)}</EmptyState>;
  return (
    <div className={styles.screen}>
      <ListOfLists lists={lists} chosenId={list?.id ?? null} actions={actions} onChoose={choose} />
      <section className={styles.sheet} aria-labelledby="code-list">
        <PlacementTabs />
        <h1 id="code-list" className="unseen">
          {list ? list.name : 'Codes and facets'}
        </h1>
        {data && !list && (
          <EmptyState title="No lists yet">
            <p>Begin a list of report codes, or a facet, at the left. Its codes can be typed here or pasted from a spreadsheet.</p>
          </EmptyState>
        )}
        {list && rows.length === 0 && (
          <EmptyState title={`${list.name} is empty`}>
            <p>{mayKeep ? 'Add its first code at the right, or paste rows of a spreadsheet: code and caption.' : 'Nobody has put a code in it yet.'}</p>
          </EmptyState>
        )}
        {list && rows.length > 0 && (
          <TreeGrid<ListedCodeRow>
            key={list.id}
            label={list.name}
            rows={rows}
            keyOf={({ place }) => place}
            depthOf={({ depth }) => depth}
            columns={columns}
            chosen={chosenPlace}
            onOpen={({ place }) => setChosenPlace(place)}
            onCopied={(count) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(count) }))}
            countText={(shown, all) => (shown === all ? counted(all, word) : `${shown} of ${counted(all, word)}`)}
            {...(mayKeep ? { onEdit } : {})}
          />
        )}
      </section>
      {list && data && (
        <ListPanel
          key={`${list.id} ${list.name}`}
          list={list}
          all={data}
          chosen={rows.find(({ place }) => place === chosenPlace) ?? null}
          actions={actions}
          onDeleted={() => choose(null)}
        />
      )}
    </div>
  );
}
