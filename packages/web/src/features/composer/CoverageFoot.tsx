import { formatAmount, type Side } from '@ivory-ladder/core';
import { useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useSetExclusionsMutation } from '../../shared/api/placementApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import styles from './CoverageFoot.module.css';
import { isTied, tiesText } from './tiesText.ts';
import type { Composer } from './useComposer.ts';
import { usePreviewRest } from './usePreview.ts';

interface CoverageFootProps {
  readonly composer: Composer;
  readonly layoutId: number;
  readonly mayCompose: boolean;
  /** Makes a line for an account that stands in none, or for the side of it that does, behind the chosen line. */
  readonly onTake: (accountId: number, side: Side | null) => void;
  readonly onShow: (lineKey: string) => void;
}

const stateWords = { unplaced: 'in no line', half_placed: 'one side in no line', doubled: 'in more than one line' } as const;

/** Whether every account of the layout's scope stands in it exactly once, live; what does not is named, with what can be done. */
export function CoverageFoot({ composer, layoutId, mayCompose, onTake, onShow }: CoverageFootProps) {
  const company = useCompany();
  const { search } = useLocation();
  const preview = usePreviewRest(composer.figures);
  const [isOpen, setOpen] = useState(false);
  const [leaving, setLeaving] = useState<{ readonly accountId: number; readonly reason: string } | null>(null);
  const [setExclusions] = useSetExclusionsMutation();
  if (!preview) return <p className={styles.foot}>Working it out…</p>;
  const { coverage, cash, totals } = preview;
  const captionOf = (key: string): string => composer.expanded.byKey.get(key)?.caption ?? key;
  const { inScope, faults, leftOut, byRemainder } = coverage;
  if (inScope === null) return <p className={styles.foot}>No coverage is claimed: the layout names no elements that have to stand in it.</p>;
  const format = (net: bigint) => formatAmount(net, { code: company.currency, exponent: company.exponent });
  const aside = [
    ...(leftOut.length > 0 ? [`${leftOut.length} left out with a reason`] : []),
    ...(byRemainder.length > 0 ? [`${byRemainder.length} by remainder only`] : []),
  ].join(', ');
  const scope = `layout:${layoutId}`;
  const reasonOf = (id: number) => composer.view.exclusions.find((one) => one.scope === scope && one.accountId === id)?.reason ?? null;
  const listed = [...faults, ...leftOut.map((one) => ({ ...one, state: 'left_out' as const }))];
  return (
    <section
      className={styles.box}
      data-state={faults.length === 0 && (!totals || isTied(totals)) && (!cash || cash.byLines === cash.moved) ? 'holds' : 'odd'}
      aria-label="Coverage"
    >
      <button
        type="button"
        className={styles.said}
        aria-expanded={isOpen}
        onClick={() => setOpen(!isOpen)}
        disabled={listed.length === 0 && byRemainder.length === 0}
      >
        <span aria-live="polite">
          {faults.length === 0
            ? `✓ Coverage: ${inScope} of ${inScope} accounts stand exactly once`
            : `▲ Coverage: ${counted(faults.length, 'account')} of ${inScope} at fault, ${format(coverage.atStake)} at stake`}
          {aside !== '' && <small> · {aside}</small>}
          {totals && <span className={isTied(totals) ? styles.cash : styles.cashOdd}>{tiesText(totals, format, composer.layout.kind)}</span>}
          {cash && (
            <span className={cash.byLines === cash.moved ? styles.cash : styles.cashOdd}>
              {cash.byLines === cash.moved
                ? `✓ Change in cash explained: ${format(cash.moved)}`
                : `✗ Lines come to ${format(cash.byLines)}, cash changed by ${format(cash.moved)}`}
            </span>
          )}
        </span>
        {(listed.length > 0 || byRemainder.length > 0) && <span aria-hidden>{isOpen ? '▾' : '▸'}</span>}
      </button>
      {isOpen && (
        <ul className={styles.list}>
          {listed.map(({ account: at, state, missingSide, net, lines }) => {
            const account = composer.view.accounts[at];
            if (!account) return null;
            return (
              <li key={account.id}>
                <span className={styles.account}>{account.label}</span>
                <span className={styles.state}>
                  {state === 'left_out' ? 'left out' : missingSide === null ? stateWords[state] : `in no line while in ${missingSide}`}
                  {net !== 0n && `, ${format(net)}`}
                </span>
                <span className={styles.acts}>
                  {lines.map((key) => (
                    <button key={key} type="button" onClick={() => onShow(key)}>
                      {captionOf(key)}
                    </button>
                  ))}
                  {mayCompose && state !== 'doubled' && state !== 'left_out' && (
                    <>
                      <button type="button" onClick={() => onTake(account.id, missingSide)}>
                        Make a line
                      </button>
                      <Link to={{ pathname: `/companies/${company.id}/placement/coverage`, search }}>Place it</Link>
                      <button type="button" onClick={() => setLeaving({ accountId: account.id, reason: '' })}>
                        Leave out…
                      </button>
                    </>
                  )}
                  {mayCompose && state === 'left_out' && (
                    <button
                      type="button"
                      onClick={() =>
                        void setExclusions({ companyId: company.id, body: { scope, accountIds: [account.id], reason: null, before: reasonOf(account.id) } })
                      }
                    >
                      Take in again
                    </button>
                  )}
                </span>
                {leaving?.accountId === account.id && (
                  <form
                    className={styles.reason}
                    onSubmit={(event) => {
                      event.preventDefault();
                      if (leaving.reason.trim() === '') return;
                      void setExclusions({ companyId: company.id, body: { scope, accountIds: [account.id], reason: leaving.reason.trim() } });
                      setLeaving(null);
                    }}
                  >
                    <input
                      aria-label={`Why ${account.label} is left out`}
                      placeholder="Why it does not belong in this layout"
                      // biome-ignore lint/a11y/noAutofocus: whoever asked to leave it out has to say why
                      autoFocus
                      value={leaving.reason}
                      onChange={({ target: { value } }) => setLeaving({ ...leaving, reason: value })}
                    />
                    <button type="submit">Leave out</button>
                  </form>
                )}
              </li>
            );
          })}
          {byRemainder.map(({ account: at, net, line }) => (
            <li key={`remainder ${at}`}>
              <span className={styles.account}>{composer.view.accounts[at]?.label}</span>
              <span className={styles.state}>by remainder only, {format(net)}</span>
              <span className={styles.acts}>
                <button type="button" onClick={() => onShow(line)}>
                  {captionOf(line)}
                </button>
              </span>
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
