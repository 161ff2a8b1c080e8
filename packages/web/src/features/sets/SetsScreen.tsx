import type { StatementBody, StatementSetBody } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import { lazy, Suspense } from 'react';
import { useDispatch } from 'react-redux';
import { Link, Navigate, useLocation, useNavigate, useParams } from 'react-router';
import { useAddSetMutation, useListSetsQuery, useRunSetQuery } from '../../shared/api/setApi.ts';
import type { StatementKind } from '../../shared/api/statementKind.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useAddress } from '../../shared/state/useAddress.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { type CellAddress, readCell, writeCell } from '../evidence/index.ts';
import { SetArticle } from './SetArticle.tsx';
import { SetPanel } from './SetPanel.tsx';
import styles from './SetsScreen.module.css';
import { newSet } from './setParts.ts';
import { useSetWork } from './useSetWork.ts';

const EvidencePanel = lazy(async () => ({ default: (await import('../evidence/EvidencePanel.tsx')).EvidencePanel }));

/** Statements that are run together for one date. */
export function SetsScreen() {
  const company = useCompany();
  const { setId } = useParams();
  const { search } = useLocation();
  const { data, isFetching } = useListSetsQuery({ companyId: company.id });
  const begin = useBeginSet();
  const mayCompose = useMay('keep_layouts');
  if (!data) return <p className="unseen">Loading</p>;
  const base = `/companies/${company.id}/statements`;
  const set = data.sets.find(({ id }) => String(id) === setId);
  if (!set && setId !== undefined && isFetching) return <p className="unseen">Loading</p>;
  if (!set && setId !== undefined)
    return (
      <section className={styles.empty}>
        <EmptyState title="This set is not here any more">
          <p>Somebody deleted it, or the address is of another company.</p>
          <Link to={{ pathname: `${base}/sets`, search }}>Other sets</Link>
        </EmptyState>
      </section>
    );
  if (!set && data.sets[0]) return <Navigate to={{ pathname: `${base}/sets/${data.sets[0].id}`, search }} replace />;
  if (!set)
    return (
      <section className={styles.empty}>
        <EmptyState title="No set yet">
          <p>A set is a list of statements that are run together for one date, proven against each other, and printed with contents and page numbers.</p>
          {mayCompose && (
            <Button variant="contained" onClick={() => void begin([])}>
              Begin with the four statements of a year
            </Button>
          )}
          <Link to={{ pathname: `${base}/balance-sheet`, search }}>A single statement</Link>
        </EmptyState>
      </section>
    );
  return <OpenedSet key={set.id} set={set} sets={data.sets} />;
}

/** Keeps a new set, and opens it. */
function useBeginSet(): (sets: readonly StatementSetBody[]) => Promise<void> {
  const company = useCompany();
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const { search } = useLocation();
  const [add] = useAddSetMutation();
  return async (sets) => {
    const taken = new Set(sets.map(({ name }) => name.toLowerCase()));
    let name = 'Financial statements';
    for (let number = 2; taken.has(name.toLowerCase()); number++) name = `Financial statements ${number}`;
    const { data, error } = await add({ companyId: company.id, body: { name, definition: newSet() } });
    if (!data) return void dispatch(noticeGiven({ tone: 'refused', text: describeFailure(error) }));
    void navigate({ pathname: `/companies/${company.id}/statements/sets/${data.id}`, search });
  };
}

/** `part~line~column~account`. */
function readPartCell(text: string | null): { readonly part: string; readonly cell: CellAddress } | null {
  const [, part, rest] = /^([a-z0-9_]+)~(.+)$/.exec(text ?? '') ?? [];
  const cell = readCell(rest ?? null);
  return part !== undefined && cell ? { part, cell } : null;
}

function OpenedSet({ set, sets }: { readonly set: StatementSetBody; readonly sets: readonly StatementSetBody[] }) {
  const company = useCompany();
  const { span } = useSpan();
  const [address, change] = useAddress();
  const work = useSetWork(set);
  const begin = useBeginSet();
  const isEmpty = company.lastEntryDay === null;
  const { data, currentData, error, isFetching } = useRunSetQuery({ companyId: company.id, setId: set.id, ...span }, { skip: isEmpty });
  // While other dates are asked for, what stood here stays, told as waiting; after a refusal it does not.
  const ran = currentData ?? (error === undefined ? data : undefined);
  const opened = readPartCell(address.get('cell'));
  const openedPart = opened && ran?.parts.find(({ key }) => key === opened.part)?.statement;
  const openCell = (part: string, cell: CellAddress) => change({ cell: `${part}~${writeCell(cell)}` });
  return (
    <div className={styles.screen} data-evidence={openedPart ? true : undefined}>
      <SetPanel set={set} sets={sets} ran={ran} work={work} onBegin={() => void begin(sets)} />
      <div className={styles.main} aria-busy={isFetching}>
        {isEmpty && (
          <section className={styles.sheet}>
            <EmptyState title="No figures yet">Bring in a trial balance first; then the statements of the set have amounts.</EmptyState>
          </section>
        )}
        {error !== undefined && (
          <section className={styles.sheet}>
            <EmptyState title="The set cannot be run">{describeFailure(error)}</EmptyState>
          </section>
        )}
        {ran?.parts.length === 0 && (
          <section className={styles.sheet}>
            <EmptyState title="No statement in this set">Add one at the left.</EmptyState>
          </section>
        )}
        {ran?.parts.map((part, at) => (
          <SetArticle key={part.key} part={part} ran={ran} number={at + 1} cell={opened?.part === part.key ? opened.cell : null} onOpenCell={openCell} />
        ))}
      </div>
      {opened && openedPart && (
        <Suspense fallback={<aside className={styles.sheet} />}>
          <EvidencePanel
            kind={openedPart.layoutId === null ? kindText(openedPart.kind) : `layout-${openedPart.layoutId}`}
            span={span}
            planned={{ plan: openedPart.plan.plan, planId: openedPart.plan.planId ?? undefined }}
            facets=""
            presentation={set.definition.presentation ?? null}
            cell={opened.cell}
            onOpen={(cell) => openCell(opened.part, cell)}
            onClose={() => change({ cell: null })}
          />
        </Suspense>
      )}
    </div>
  );
}

function kindText(kind: StatementBody['kind']): StatementKind {
  return kind.replaceAll('_', '-') as StatementKind;
}
