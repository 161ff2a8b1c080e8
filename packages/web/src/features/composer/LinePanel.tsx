import { type AccountsOwnLine, freshKey, type OwnLine } from '@ivory-ladder/core';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { SelectField } from '../../shared/components/SelectField.tsx';
import { CaptionsField } from './CaptionsField.tsx';
import { CashFields } from './CashFields.tsx';
import { ElementsField } from './ElementsField.tsx';
import { FollowedPanel } from './FollowedPanel.tsx';
import { FollowsField } from './FollowsField.tsx';
import { FormulaField } from './FormulaField.tsx';
import { FreedOn } from './FreedOn.tsx';
import { KeyField } from './KeyField.tsx';
import { LeaveSideField } from './LeaveSideField.tsx';
import styles from './LinePanel.module.css';
import { LookFields } from './LookFields.tsx';
import { kindCaption } from './lineKinds.ts';
import { MeasureFields } from './MeasureFields.tsx';
import { SideNote } from './SideNote.tsx';
import { SourcesField } from './SourcesField.tsx';
import { TermsField } from './TermsField.tsx';
import type { Composer } from './useComposer.ts';

interface LinePanelProps {
  readonly composer: Composer;
  readonly lineKey: string;
  readonly mayCompose: boolean;
  readonly onChooseAccounts: (line: AccountsOwnLine) => void;
  /** Another one for another line: what was typed for one is not taken for the other. */
  readonly panelKey: string;
  /** The line has another key now. */
  readonly onRekeyed: (key: string) => void;
}

/** What one line is: its caption, what it takes, and how it is printed. Every change shows at once. */
export function LinePanel({ composer, lineKey, mayCompose, onChooseAccounts, panelKey, onRekeyed }: LinePanelProps) {
  const origin = composer.expanded.origins.get(lineKey);
  if (!origin || origin.kind === 'made') return null;
  return origin.kind === 'own' ? (
    <OwnLinePanel key={panelKey} composer={composer} line={origin.line} mayCompose={mayCompose} onChooseAccounts={onChooseAccounts} onRekeyed={onRekeyed} />
  ) : (
    <FollowedPanel key={lineKey} composer={composer} lineKey={lineKey} origin={origin} mayCompose={mayCompose} />
  );
}

type Signed = Extract<OwnLine, { readonly side: unknown }>;

function OwnLinePanel({ composer, line, mayCompose, onChooseAccounts, onRekeyed }: Omit<LinePanelProps, 'lineKey' | 'panelKey'> & { readonly line: OwnLine }) {
  const disabled = !mayCompose;
  const side = composer.expanded.byKey.get(line.key)?.side ?? 'debit';
  const named = line.caption || kindCaption(line.kind).toLowerCase();
  const change = (changed: OwnLine, what: string, merges = false) =>
    void composer.edit([{ kind: 'change', line: changed }], `${what} of ${named}`, merges ? `${what} ${line.key}` : undefined);
  /** A new line is called by its kind until it has a caption of its own. */
  const nameByCaption = () => {
    const isUnnamed =
      line.key === freshKey(kindCaption(line.kind), new Set()) || new RegExp(`^${freshKey(kindCaption(line.kind), new Set())}_\\d+$`).test(line.key);
    const to = freshKey(line.caption, composer.expanded.origins);
    if (disabled || !isUnnamed || line.caption.trim() === '' || line.caption === kindCaption(line.kind)) return;
    if (composer.edit([{ kind: 'rename_key', key: line.key, to }], `Key of ${line.caption}`)) onRekeyed(to);
  };
  const isSigned = (one: OwnLine): one is Signed => 'side' in one;
  return (
    <>
      <header>
        <h2 className={styles.title}>{line.caption || kindCaption(line.kind)}</h2>
        <p className={styles.about}>
          Line of kind {line.kind} · <KeyField composer={composer} line={line} disabled={disabled} onRekeyed={onRekeyed} />
        </p>
      </header>
      {line.kind !== 'space' && (
        <label className={styles.field}>
          <span className={styles.label}>Caption</span>
          <input
            className={styles.input}
            data-caption
            value={line.caption}
            disabled={disabled}
            maxLength={200}
            onChange={({ target: { value } }) => change({ ...line, caption: value }, 'Caption', true)}
            onBlur={nameByCaption}
          />
        </label>
      )}
      {line.kind !== 'space' && (
        <CaptionsField captions={line.captions} disabled={disabled} onChange={(captions) => change({ ...line, captions }, 'Caption', true)} />
      )}
      {(line.kind === 'group' || (line.kind === 'follows' && line.frame !== 'bare')) && (
        <label className={styles.field}>
          <span className={styles.label}>Caption of its subtotal</span>
          <input
            className={styles.input}
            value={line.totalCaption}
            placeholder={`Total ${line.caption}`}
            disabled={disabled}
            maxLength={200}
            onChange={({ target: { value } }) => change({ ...line, totalCaption: value }, 'Subtotal', true)}
          />
        </label>
      )}
      {(line.kind === 'group' || line.kind === 'follows') && line.totalCaption !== '' && (
        <CaptionsField
          of="Subtotal"
          captions={line.totalCaptions}
          disabled={disabled}
          onChange={(totalCaptions) => change({ ...line, totalCaptions }, 'Subtotal', true)}
        />
      )}
      {line.kind === 'follows' && (
        <FollowsField
          composer={composer}
          line={line}
          disabled={disabled}
          onChange={(changed, caption) => {
            const isUnnamed = line.caption === kindCaption('follows');
            change({ ...changed, ...(caption !== undefined && isUnnamed ? { caption: caption.split(' › ').at(-1) ?? caption } : {}) }, 'What it follows');
          }}
        />
      )}
      {(line.kind === 'accounts' || line.kind === 'memo') && (
        <>
          <SourcesField
            composer={composer}
            label="Takes from"
            sources={line.sources}
            except={line.except}
            takes={line.takes}
            side={side}
            disabled={disabled}
            onChange={(sources) => change({ ...line, sources }, 'Sources')}
            onChoose={() => onChooseAccounts(line)}
          />
          {(line.except.length > 0 || line.sources.length > 0) && (
            <SourcesField
              composer={composer}
              label="Except"
              sources={line.except}
              except={null}
              takes="any"
              side={side}
              disabled={disabled}
              onChange={(except) => change({ ...line, except }, 'Exceptions')}
            />
          )}
          <Segmented
            label="Balances it takes"
            value={line.takes}
            disabled={disabled}
            choices={[
              { value: 'any', label: 'Any' },
              { value: 'debit', label: 'Debit only' },
              { value: 'credit', label: 'Credit only' },
            ]}
            onChange={(takes) => change({ ...line, takes }, 'Side rule')}
          />
          {line.takes !== 'any' && <SideNote composer={composer} line={line} />}
          {!disabled && line.kind === 'accounts' && line.takes === 'any' && line.sources.length > 0 && <LeaveSideField composer={composer} line={line} />}
          <MeasureFields composer={composer} line={line} disabled={disabled} onChange={change} />
        </>
      )}
      {(line.kind === 'accounts' || line.kind === 'memo' || line.kind === 'remainder') && (
        <Segmented
          label="Show as"
          value={!line.byAccount ? 'line' : line.byTree === undefined ? 'accounts' : 'tree'}
          disabled={disabled}
          choices={[
            { value: 'line', label: 'One line', says: 'Opens to its accounts where somebody asks' },
            { value: 'accounts', label: 'By account', says: 'Its accounts stand under it' },
            { value: 'tree', label: 'By chart', says: 'Its accounts stand under those that they are sub-accounts of, with their sums' },
          ]}
          onChange={(value) => {
            const { byTree: _, ...others } = line;
            change({ ...others, byAccount: value !== 'line', ...(value === 'tree' ? { byTree: 2 } : {}) }, 'Detail');
          }}
        />
      )}
      {(line.kind === 'accounts' || line.kind === 'memo' || line.kind === 'remainder') && line.byAccount && line.byTree !== undefined && (
        <SelectField
          label="Down to"
          value={line.byTree}
          choices={[1, 2, 3, 4, 5, 6, 7, 8, 9, 10].map((value) => ({ value, label: value === 1 ? 'the topmost accounts' : `${value} levels of accounts` }))}
          disabled={disabled}
          onChange={(byTree) => change({ ...line, byTree }, 'Depth')}
        />
      )}
      {line.kind === 'cash' && <CashFields composer={composer} line={line} disabled={disabled} onChange={change} />}
      {line.kind === 'result' && composer.layout.kind === 'cash_flow' && (
        <SourcesField
          composer={composer}
          label="All income and expense but"
          sources={line.except ?? []}
          except={null}
          takes="any"
          side="credit"
          disabled={disabled}
          onChange={(except) => change({ ...line, except }, 'Exceptions')}
        />
      )}
      {line.kind === 'result' && composer.layout.withoutCash === 'taken_out' && (
        <FreedOn
          composer={composer}
          label="Profit is freed of what moved without cash on"
          none="no line: profit itself is without it"
          value={line.freedOn}
          disabled={disabled}
          onChange={(freedOn) => {
            const { freedOn: _, ...rest } = line;
            change(freedOn === undefined ? rest : { ...rest, freedOn }, 'Where profit is freed');
          }}
        />
      )}
      {line.kind === 'result' && composer.layout.kind !== 'cash_flow' && composer.layout.kind !== 'changes_in_equity' && (
        <Segmented
          label="Holds"
          value={line.only ?? 'both'}
          disabled={disabled}
          choices={[
            { value: 'both', label: 'Profit or loss' },
            { value: 'profit', label: 'Profit alone', says: 'Nil where the year has a loss: put a line for the loss beside it' },
            { value: 'loss', label: 'Loss alone', says: 'Nil where the year has a profit: put a line for the profit beside it' },
          ]}
          onChange={(value) => {
            const { only: _, ...others } = line;
            change(value === 'both' ? others : { ...others, only: value }, 'Profit or loss');
          }}
        />
      )}
      {line.kind === 'remainder' && <ElementsField line={line} disabled={disabled} onChange={(elements) => change({ ...line, elements }, 'Elements')} />}
      {line.kind === 'sum' && <TermsField composer={composer} line={line} disabled={disabled} onChange={(terms) => change({ ...line, terms }, 'Terms')} />}
      {line.kind === 'calculation' && (
        <>
          <FormulaField composer={composer} line={line} disabled={disabled} onChange={(formula) => change({ ...line, formula }, 'Formula', true)} />
          <Segmented
            label="Results in"
            value={line.result}
            disabled={disabled}
            choices={[
              { value: 'amount', label: 'Amount' },
              { value: 'ratio', label: 'Ratio' },
              { value: 'percent', label: 'Percent' },
              { value: 'days', label: 'Days' },
            ]}
            onChange={(result) => change({ ...line, result }, 'Result')}
          />
        </>
      )}
      {isSigned(line) && line.kind !== 'calculation' && (
        <Segmented
          label="Positive is"
          value={line.side ?? 'natural'}
          disabled={disabled}
          choices={[
            { value: 'natural', label: 'Its own side', says: 'That of its accounts, or of the layout' },
            { value: 'debit', label: 'Debit' },
            { value: 'credit', label: 'Credit' },
          ]}
          onChange={(side) => change({ ...line, side: side === 'natural' ? null : side }, 'Side')}
        />
      )}
      {'reversed' in line && (
        <Segmented
          label="Sign"
          value={line.reversed ? 'reversed' : 'natural'}
          disabled={disabled}
          choices={[
            { value: 'natural', label: 'Natural' },
            { value: 'reversed', label: 'Reversed', says: 'Shown the other way round; counted as before' },
          ]}
          onChange={(value) => change({ ...line, reversed: value === 'reversed' }, 'Sign')}
        />
      )}
      <LookFields
        composer={composer}
        lineKey={line.key}
        kind={line.kind}
        look={line.look}
        shown={line.shown}
        hiddenIn={line.hiddenIn}
        note={line.note}
        disabled={disabled}
        onChange={(changes, what, merges) => change({ ...line, ...changes } as OwnLine, what, merges)}
      />
    </>
  );
}
