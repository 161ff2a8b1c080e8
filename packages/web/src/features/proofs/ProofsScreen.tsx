import type { ProofBody } from '@ivory-ladder/contract';
import { accountLabel, formatAmount, longDay } from '@ivory-ladder/core';
import { useEffect } from 'react';
import { Link, useLocation } from 'react-router';
import { useGetProofsQuery } from '../../shared/api/statementApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { currencyOfCompany, useCompany } from '../../shared/state/useCompany.ts';
import { useSpan } from '../../shared/state/useSpan.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { differenceOn } from './differenceOn.ts';
import styles from './ProofsScreen.module.css';
import { figureName, proofExplanations, proofNames, proofStateMark, reasonText } from './proofText.ts';

/** Every proof with what it compares, its figures by column, and the accounts that make it fail. */
export function ProofsScreen() {
  const company = useCompany();
  const { span } = useSpan();
  const { hash, search } = useLocation();
  const isEmpty = company.lastEntryDay === null;
  const layout = Number(new URLSearchParams(search).get('layout') ?? 0);
  const { data, error } = useGetProofsQuery({ companyId: company.id, ...span, ...(layout > 0 ? { layout } : {}) }, { skip: isEmpty });
  useEffect(() => {
    if (data && hash) document.getElementById(hash.slice(1))?.scrollIntoView({ block: 'start' });
  }, [data, hash]);
  const counts = { holds: 0, fails: 0, to_look_at: 0, not_provable: 0 };
  for (const { state } of data?.proofs ?? []) counts[state]++;
  return (
    <section className={styles.sheet} aria-labelledby="proofs-title">
      <header>
        <h1 id="proofs-title">Proofs</h1>
        <p className={styles.quiet}>
          {data
            ? [
                `${counts.holds} hold`,
                `${counts.fails} fail`,
                `${counts.to_look_at} to look at`,
                ...(counts.not_provable > 0 ? [`${counts.not_provable} not provable`] : []),
              ].join(', ')
            : ' '}
        </p>
      </header>
      {isEmpty && <EmptyState title="Nothing to prove yet">Bring in a trial balance first.</EmptyState>}
      {error !== undefined && <EmptyState title="The proofs cannot be read">{describeFailure(error)}</EmptyState>}
      {inOrderOfConcern(data?.proofs ?? []).map((proof) => (
        <Proof
          key={proof.name}
          proof={proof}
          isOpened={hash === `#${proof.name}`}
          currency={currencyOfCompany(company)}
          placement={{ pathname: `/companies/${company.id}/placement`, search }}
        />
      ))}
    </section>
  );
}

const concern: Readonly<Record<ProofBody['state'], number>> = { fails: 0, to_look_at: 1, not_provable: 2, holds: 3 };

const stateWords: Readonly<Record<ProofBody['state'], string>> = { holds: 'holds', fails: 'fails', to_look_at: 'to look at', not_provable: 'not provable' };

/** What fails first, then what is to be looked at; within each the order of the proof strip. */
function inOrderOfConcern(proofs: readonly ProofBody[]): ProofBody[] {
  return [...proofs].sort((a, b) => concern[a.state] - concern[b.state]);
}

function Proof({
  proof,
  isOpened,
  currency,
  placement,
}: {
  proof: ProofBody;
  isOpened: boolean;
  currency: ReturnType<typeof currencyOfCompany>;
  placement: { pathname: string; search: string };
}) {
  const company = useCompany();
  const { search } = useLocation();
  const days = [...new Set(proof.figures.map(({ day }) => day))];
  const names = [...new Set(proof.figures.map(({ name }) => name))];
  const isCount = proof.name === 'coverage' || proof.name === 'codes_complete' || proof.name === 'layouts_complete';
  const figure = (name: string, day: string) => proof.figures.find((candidate) => candidate.name === name && candidate.day === day)?.net ?? '0';
  const format = (net: string) => (isCount ? net : formatAmount(BigInt(net), currency));
  const accountAddress = (id: number) => {
    const params = new URLSearchParams(search);
    params.set('account', String(id));
    return { pathname: `/companies/${company.id}/ledger`, search: params.toString() };
  };
  return (
    <article id={proof.name} className={styles.proof} data-opened={isOpened || undefined} aria-labelledby={`${proof.name}-name`}>
      <h2 id={`${proof.name}-name`}>
        <span className={styles[proof.state]}>
          {proofStateMark(proof.state)}
          <span className="unseen">{stateWords[proof.state]}: </span>
        </span>{' '}
        {proofNames[proof.name]}
      </h2>
      <p className={styles.quiet}>{proofExplanations[proof.name]}</p>
      {proof.figures.length > 0 && (
        <table className={styles.figures}>
          <thead>
            <tr>
              <th scope="col">{isCount ? 'Accounts' : 'Debit positive'}</th>
              {days.map((day) => (
                <th key={day} scope="col">
                  {longDay(day)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {names.map((name) => (
              <tr key={name}>
                <th scope="row">{figureName(name)}</th>
                {days.map((day) => (
                  <td key={day}>{proof.state === 'not_provable' ? '–' : format(figure(name, day))}</td>
                ))}
              </tr>
            ))}
          </tbody>
          {days.some((day) => differenceOn(proof, day) !== null) && (
            <tfoot>
              <tr>
                <th scope="row">Difference</th>
                {days.map((day) => (
                  <td key={day}>{formatAmount(differenceOn(proof, day) ?? 0n, currency)}</td>
                ))}
              </tr>
            </tfoot>
          )}
        </table>
      )}
      {proof.accounts.length > 0 && (
        <>
          <h3>{proof.state === 'to_look_at' ? 'Accounts to look at' : 'Accounts at fault'}</h3>
          <ul className={styles.accounts}>
            {proof.accounts.map(({ accountId, number, name, reason, net }) => (
              <li key={`${accountId} ${reason}`}>
                <Link to={accountAddress(accountId)}>{accountLabel({ number, name })}</Link>
                <span className={styles.quiet}>{reasonText(reason)}</span>
                <span>{formatAmount(BigInt(net), currency)}</span>
              </li>
            ))}
          </ul>
          {(proof.name === 'coverage' || proof.accounts.some(({ reason }) => reason === 'unplaced')) && <Link to={placement}>Place them</Link>}
        </>
      )}
    </article>
  );
}
