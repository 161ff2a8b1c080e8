import { type Currency, formatAmount } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { standsIn } from '../../shared/api/standsIn.ts';
import { useClimb } from '../../shared/state/useClimb.ts';
import { useCompany, useMay } from '../../shared/state/useCompany.ts';
import { CompleteForForm } from '../codes/index.ts';
import { MoveDialog, reasonsText, usePlacementActions, WhereItStands } from '../placement/index.ts';
import { onNaturalSide, type PlacedAccount, usePlacement, useProposals } from '../rehearsal/index.ts';
import styles from './CoverageScreen.module.css';
import type { PlacedRow } from './coverageColumns.tsx';
import type { CoveredScope } from './coverageModel.ts';
import { concernNames, concernNamesOfLists, findingName, whyText } from './findingText.ts';
import { LeaveOutDialog } from './LeaveOutDialog.tsx';
import { useExclusions } from './useExclusions.ts';

interface CoveragePanelProps {
  readonly scope: CoveredScope;
  readonly chosen: PlacedRow | null;
  /** All that are listed. */
  readonly rows: readonly PlacedRow[];
  readonly currency: Currency;
}

type PlaceSide = 'any' | 'debit' | 'credit';

/** The chosen finding: why it is one, and what mends it. */
export function CoveragePanel({ scope, chosen, rows, currency }: CoveragePanelProps) {
  const { model } = usePlacement();
  const mayPlace = useMay('keep_placement');
  const actions = usePlacementActions();
  const climb = useClimb();
  const exclusions = useExclusions();
  const [moving, setMoving] = useState<{ readonly account: PlacedAccount; readonly side: PlaceSide } | null>(null);
  const [leaving, setLeaving] = useState<readonly PlacedAccount[]>([]);
  const idle = rows.filter(({ concern, account }) => concern === 'idle' && !account.active).map(({ account }) => account);
  return (
    <aside className={styles.panel} aria-label="Chosen finding">
      {chosen ? (
        <>
          <div>
            <h2>{chosen.account.label}</h2>
            <p className={styles[chosen.concern]}>
              {(scope.list ? concernNamesOfLists : concernNames)[chosen.concern]}: {findingName(chosen.finding)}
            </p>
          </div>
          <p>{whyText(chosen, model)}</p>
          <dl className={styles.facts}>
            <dt>Element</dt>
            <dd>{chosen.account.element}</dd>
            <dt>At stake</dt>
            <dd>{formatAmount(onNaturalSide(chosen.net, chosen.account.element), currency)}</dd>
            <dt>In comparison</dt>
            <dd>{formatAmount(onNaturalSide(chosen.before, chosen.account.element), currency)}</dd>
          </dl>
          {mayPlace && (
            <Mends
              chosen={chosen}
              layoutId={scope.layoutId}
              onMove={(side) => setMoving({ account: chosen.account, side })}
              onLeaveOut={() => setLeaving([chosen.account])}
              onTakeIn={() => chosen.finding.kind === 'left_out' && void exclusions.takeIn(scope.exclusion, chosen.account, chosen.finding.reason)}
            />
          )}
          <WhereItStands account={chosen.account} currency={currency} />
          <Button onClick={() => climb(chosen.account.id)}>Climb</Button>
        </>
      ) : (
        <p className={styles.quiet}>Choose a finding to see why it is one and what mends it.</p>
      )}
      {mayPlace && idle.length > 1 && (
        <div className={styles.tools}>
          <Button onClick={() => setLeaving(idle)}>Leave the {idle.length} inactive ones out…</Button>
        </div>
      )}
      {scope.list && <CompleteForForm key={`${scope.list.id} ${scope.list.version}`} list={scope.list} />}
      {moving && (
        <MoveDialog
          model={model}
          accounts={[moving.account]}
          side={moving.side}
          onClose={() => setMoving(null)}
          onMove={(target, side) => {
            setMoving(null);
            actions.move([moving.account], target, side);
          }}
        />
      )}
      {leaving.length > 0 && (
        <LeaveOutDialog
          accounts={leaving}
          from={scope.name}
          onClose={() => setLeaving([])}
          onLeaveOut={(reason) => {
            void exclusions.leaveOut(scope.exclusion, leaving, reason);
            setLeaving([]);
          }}
        />
      )}
    </aside>
  );
}

interface MendsProps {
  readonly chosen: PlacedRow;
  readonly layoutId: number | null;
  readonly onMove: (side: PlaceSide) => void;
  readonly onLeaveOut: () => void;
  readonly onTakeIn: () => void;
}

function Mends({ chosen: { account, finding, net }, layoutId, onMove, onLeaveOut, onTakeIn }: MendsProps) {
  const company = useCompany();
  const { search } = useLocation();
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const proposals = useProposals().get(account.id)?.proposals ?? [];
  const base = `/companies/${company.id}`;
  const nameOf = (id: number) => model.placement.categories.get(id)?.name ?? '';
  const to = (id: number) => ({ id, name: nameOf(id) });
  const [stands] = standsIn(account);
  const leaveOut = <Button onClick={onLeaveOut}>Leave out with a reason…</Button>;
  const inChart = (show: string) => ({ pathname: `${base}/ledger/chart`, search: new URLSearchParams(show).toString() });
  const onBand = company.numbered && (
    <Link to={{ pathname: `${base}/placement/ranges`, search: `${search}${search ? '&' : '?'}account=${account.id}` }}>See it on the number band</Link>
  );
  switch (finding.kind) {
    case 'in_layout':
      return (
        <div className={styles.tools}>
          {layoutId !== null && <Link to={{ pathname: `${base}/layouts/${layoutId}`, search }}>Open the layout</Link>}
          {leaveOut}
        </div>
      );
    case 'unplaced':
      return (
        <div className={styles.tools}>
          {proposals.slice(0, 2).map((proposal, at) => (
            <Button key={proposal.categoryId} variant={at === 0 ? 'contained' : 'outlined'} onClick={() => actions.place([[account, proposal.categoryId]])}>
              Place in {nameOf(proposal.categoryId)}
            </Button>
          ))}
          {proposals[0] && <small>{reasonsText(proposals[0], model.byId)}</small>}
          <Button onClick={() => onMove('any')}>Move to…</Button>
          {leaveOut}
        </div>
      );
    case 'doubled':
      return (
        <div className={styles.tools}>
          {account.doubledIn.map((id) => (
            <Button key={id} onClick={() => actions.move([account], to(id), 'any')}>
              Fix by hand in {nameOf(id)}
            </Button>
          ))}
          {onBand}
          {leaveOut}
        </div>
      );
    case 'half_placed': {
      const other = stands?.side === 'credit' ? 'debit' : 'credit';
      return (
        <div className={styles.tools}>
          <Button variant="contained" onClick={() => onMove(other)}>
            Place it while in {other}…
          </Button>
          {stands && <Button onClick={() => actions.move([account], to(stands.categoryId), 'any')}>Whatever the balance in {nameOf(stands.categoryId)}</Button>}
          {leaveOut}
        </div>
      );
    }
    case 'range_odd':
      return <div className={styles.tools}>{onBand}</div>;
    case 'on_parent':
      return (
        <div className={styles.tools}>
          <Link to={{ pathname: `${base}/ledger/entries/new`, search: `clear=${account.id}&amount=${net}` }}>Write the entry that moves it</Link>
          <small>To one of its sub-accounts. Until then it stands on a line «posted directly to» it.</small>
        </div>
      );
    case 'against_side': {
      const side = net > 0n ? 'debit' : 'credit';
      return (
        <div className={styles.tools}>
          <Button variant="contained" onClick={() => onMove(side)}>
            Place it while in {side}…
          </Button>
          <Link to={{ pathname: `${base}/ledger`, search: `account=${account.id}` }}>See its lines</Link>
        </div>
      );
    }
    case 'no_code':
      return (
        <div className={styles.tools}>
          <Link to={inChart(`find=${encodeURIComponent(account.number || account.name)}`)}>Give it a code in the chart</Link>
          {leaveOut}
        </div>
      );
    case 'code_odd':
      return (
        <div className={styles.tools}>
          {finding.said && (
            <Button variant="contained" onClick={() => finding.said && actions.move([account], to(finding.said.categoryId), 'any')}>
              Move to {nameOf(finding.said.categoryId)}
            </Button>
          )}
          {finding.said && <Button onClick={() => onMove('any')}>Move to…</Button>}
          <Link to={inChart(`find=${encodeURIComponent(account.number || account.name)}`)}>Change its code in the chart</Link>
        </div>
      );
    case 'left_out':
      return (
        <div className={styles.tools}>
          <Button onClick={onTakeIn}>Take in again</Button>
          <Button onClick={() => onMove('any')}>Move to…</Button>
        </div>
      );
  }
}
