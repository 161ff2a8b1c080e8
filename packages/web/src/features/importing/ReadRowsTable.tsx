import type { CheckedRow, RowProblemBody, TrialBalanceCheckBody, TrialBalanceCheckDraft } from '@ivory-ladder/contract';
import { type Currency, type Element, elements, formatAmount, toDecimalText } from '@ivory-ladder/core';
import Menu from '@mui/material/Menu';
import MenuItem from '@mui/material/MenuItem';
import { type ReactNode, type Ref, useMemo, useRef, useState } from 'react';
import { useDispatch } from 'react-redux';
import { compareAmounts, compareTexts, copiedText, type GridColumn } from '../../shared/components/treegrid/gridColumn.ts';
import { TreeGrid, type TreeGridHandle } from '../../shared/components/treegrid/TreeGrid.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { problemText, proposalText } from './problemText.ts';
import styles from './ReadRowsTable.module.css';

interface ReadRowsTableProps {
  readonly ref: Ref<TreeGridHandle>;
  readonly check: TrialBalanceCheckBody;
  readonly draft: TrialBalanceCheckDraft;
  readonly onChange: (changes: Partial<TrialBalanceCheckDraft>) => void;
}

type ProblemsOf = ReadonlyMap<number, readonly RowProblemBody[]>;
const rowOf = ({ row }: CheckedRow) => row;
const noDepth = () => 0;

/** The rows of the file as they were understood; an error stands under its row, the cell it is about is marked. */
export function ReadRowsTable({ ref, check, draft, onChange }: ReadRowsTableProps) {
  const company = useCompany();
  const currency = currencyOfCompany(company);
  const dispatch = useDispatch();
  const [menu, openMenu] = useState<{ anchor: HTMLElement; row: CheckedRow } | null>(null);
  const problemsOf = useMemo(() => {
    const found = new Map<number, RowProblemBody[]>();
    for (const problem of check.problems) found.set(problem.row, [...(found.get(problem.row) ?? []), problem]);
    return found;
  }, [check]);
  const isConfirmed = draft.confirmElements === true;
  const leaveOut = ({ row }: CheckedRow) => onChange({ leaveOut: [...(draft.leaveOut ?? []), row] });
  const latest = useRef(leaveOut);
  latest.current = leaveOut;
  const columns = useMemo(
    () =>
      columnsOf(
        check,
        problemsOf,
        currency,
        isConfirmed,
        company.numbered,
        (anchor, row) => openMenu({ anchor, row }),
        (row) => latest.current(row),
      ),
    [check, problemsOf, currency, isConfirmed, company.numbered],
  );
  return (
    <>
      <TreeGrid
        ref={ref}
        label="Rows of the file"
        rows={check.rows}
        keyOf={rowOf}
        depthOf={noDepth}
        columns={columns}
        onCopied={(rows) => void dispatch(noticeGiven({ tone: 'done', text: copiedText(rows) }))}
        isWrong={({ row }) => problemsOf.get(row)?.some(({ warning }) => !warning) ?? false}
        detail={({ row }) => saidOf(problemsOf.get(row))}
        menu={(row) => [{ label: 'Leave this row out', keys: 'Delete', onChoose: () => leaveOut(row) }]}
        onRowKey={(event, row) => {
          if (event.key !== 'Delete') return false;
          leaveOut(row);
          return true;
        }}
      />
      <Menu anchorEl={menu?.anchor ?? null} open={menu !== null} onClose={() => openMenu(null)}>
        {elements.map((element) => (
          <MenuItem
            key={element}
            selected={menu?.row.element === element}
            onClick={() => {
              if (menu) onChange({ elements: { ...draft.elements, [menu.row.number]: element } });
              openMenu(null);
            }}
          >
            {element}
          </MenuItem>
        ))}
      </Menu>
    </>
  );
}

function saidOf(problems: readonly RowProblemBody[] | undefined): ReactNode {
  if (!problems) return null;
  return <span className={problems.some(({ warning }) => !warning) ? styles.problem : styles.warning}>{problems.map(problemText).join(' ')}</span>;
}

function columnsOf(
  { amounts, rows }: TrialBalanceCheckBody,
  problemsOf: ProblemsOf,
  currency: Currency,
  isConfirmed: boolean,
  numbered: boolean,
  onChooseElement: (anchor: HTMLElement, row: CheckedRow) => void,
  onLeaveOut: (row: CheckedRow) => void,
): GridColumn<CheckedRow>[] {
  const isSplit = amounts === 'debit_and_credit';
  const marked = ({ row }: CheckedRow, text: string, ...about: RowProblemBody['column'][]) => (
    <span title={text} className={problemsOf.get(row)?.some(({ column }) => about.includes(column)) ? styles.wrong : undefined}>
      {text || '–'}
    </span>
  );
  const longest = rows.reduce((length, { number }) => Math.max(length, number.length), 5);
  const numberColumn: GridColumn<CheckedRow> = {
    id: 'number',
    caption: 'Number',
    width: `${Math.min(16, longest) * 8 + 8}px`,
    cell: (row) => marked(row, row.number, 'number', 'parent'),
    text: ({ number }) => number,
    compare: (a, b) => compareTexts(a.number, b.number),
  };
  /** One signed column has no other beside it. */
  const secondColumn: GridColumn<CheckedRow> = {
    id: 'second',
    caption: isSplit ? 'Credit' : 'Mark',
    width: isSplit ? '96px' : '44px',
    isAmount: isSplit,
    cell: (row) => (isSplit ? marked(row, row.found.second, 'credit') : row.found.second),
    text: ({ found }) => found.second,
  };
  return [
    {
      id: 'row',
      caption: 'Row',
      width: '44px',
      cell: (row) => (
        <span className={styles.rowNumber}>
          {row.row}
          <button
            type="button"
            className={styles.leave}
            tabIndex={-1}
            title="Leave this row out (Delete)"
            aria-label={`Leave row ${row.row} out`}
            onClick={() => onLeaveOut(row)}
          >
            ×
          </button>
        </span>
      ),
      text: ({ row }) => String(row),
    },
    ...(numbered ? [numberColumn] : []),
    {
      id: 'name',
      caption: 'Name',
      width: 'minmax(150px, 3fr)',
      cell: (row) => (numbered ? marked(row, row.name, 'name') : marked(row, row.number, 'name', 'parent')),
      text: (row) => (numbered ? row.name : row.number),
      compare: (a, b) => compareTexts(a.name, b.name),
    },
    {
      id: 'element',
      caption: 'Element',
      width: '66px',
      cell: (row) => <ElementCell row={row} isConfirmed={isConfirmed} onChoose={(anchor) => onChooseElement(anchor, row)} />,
      text: ({ element }) => element ?? '',
      compare: (a, b) => compareTexts(a.element ?? '', b.element ?? ''),
    },
    {
      id: 'category',
      caption: 'Category',
      width: 'minmax(76px, 1fr)',
      cell: ({ placedIn }) => (
        <span className={placedIn.length === 0 ? styles.proposed : undefined} title={placedIn.join(' › ')}>
          {placedIn.length === 0 ? 'not placed' : `${placedIn.length > 1 ? '… › ' : ''}${placedIn.at(-1)}`}
        </span>
      ),
      text: ({ placedIn }) => placedIn.join(' > '),
      compare: (a, b) => compareTexts(a.placedIn.join(' '), b.placedIn.join(' ')),
    },
    {
      id: 'first',
      caption: isSplit ? 'Debit' : 'Amount',
      width: '96px',
      isAmount: true,
      cell: (row) => marked(row, row.found.first, isSplit ? 'debit' : 'amount'),
      text: ({ found }) => found.first,
    },
    ...(amounts === 'signed' ? [] : [secondColumn]),
    {
      id: 'difference',
      caption: 'Will be posted',
      width: '98px',
      isAmount: true,
      cell: ({ difference }) => <span className={styles.quiet}>{difference === null ? '?' : formatAmount(BigInt(difference), currency)}</span>,
      text: ({ difference }) => (difference === null ? '' : toDecimalText(BigInt(difference), currency)),
      compare: (a, b) => compareAmounts(a.difference ?? '0', b.difference ?? '0'),
    },
  ];
}

interface ElementCellProps {
  readonly row: CheckedRow;
  readonly isConfirmed: boolean;
  readonly onChoose: (anchor: HTMLElement) => void;
}

function ElementCell({ row, isConfirmed, onChoose }: ElementCellProps) {
  if (row.elementFrom?.from === 'chart') return row.element;
  const isProposed = row.elementFrom !== null && !['file', 'chart', 'confirmed'].includes(row.elementFrom.from) && !isConfirmed;
  return <ElementButton element={row.element} isProposed={isProposed} reason={proposalText(row.elementFrom)} onChoose={onChoose} />;
}

function ElementButton({
  element,
  isProposed,
  reason,
  onChoose,
}: {
  element: Element | null;
  isProposed: boolean;
  reason: string;
  onChoose: (anchor: HTMLElement) => void;
}) {
  return (
    <button
      type="button"
      className={styles.element}
      data-proposed={isProposed || element === null || undefined}
      aria-haspopup="menu"
      title={isProposed ? `Proposed: ${reason}` : 'Choose another element'}
      onClick={(event) => onChoose(event.currentTarget)}
    >
      {element ?? 'choose'}
      {isProposed && ' ?'}
    </button>
  );
}
