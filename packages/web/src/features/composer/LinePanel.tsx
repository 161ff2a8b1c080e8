import { type AccountsOwnLine, type AdjustmentChanges, childrenOf, freshKey, isLineKey, type Line, type LineOrigin, type OwnLine } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useCompany } from '../../app/useCompany.ts';
import { languageNames } from '../../components/languageNames.ts';
import { Segmented } from '../../components/Segmented.tsx';
import { FollowsField } from './FollowsField.tsx';
import { captionsOf, FormulaField } from './FormulaField.tsx';
import styles from './LinePanel.module.css';
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
  const { languages } = useCompany();
  const disabled = !mayCompose;
  const named = line.caption || kindCaption(line.kind).toLowerCase();
  const change = (changed: OwnLine, what: string, merges = false) => void composer.edit([{ kind: 'change', line: changed }], `${what} of ${named}`, { merges });
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
      {line.kind !== 'space' &&
        languages.slice(1).map((language) => (
          <label key={language} className={styles.field}>
            <span className={styles.label}>{languageNames[language]}</span>
            <input
              className={styles.input}
              value={line.captions.find((one) => one.language === language)?.caption ?? ''}
              disabled={disabled}
              maxLength={200}
              onChange={({ target: { value } }) =>
                change(
                  { ...line, captions: [...line.captions.filter((one) => one.language !== language), ...(value === '' ? [] : [{ language, caption: value }])] },
                  'Caption',
                  true,
                )
              }
            />
          </label>
        ))}
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
      {line.kind === 'follows' && (
        <FollowsField
          composer={composer}
          line={line}
          disabled={disabled}
          onChange={(changes, caption) => {
            const isUnnamed = line.caption === kindCaption('follows');
            change(
              { ...line, ...changes, ...(caption !== undefined && isUnnamed ? { caption: caption.split(' › ').at(-1) ?? caption } : {}) },
              'What it follows',
            );
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
            side={line.side}
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
              side={line.side}
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
          <MeasureFields composer={composer} line={line} disabled={disabled} onChange={change} />
        </>
      )}
      {(line.kind === 'accounts' || line.kind === 'memo' || line.kind === 'remainder') && (
        <Segmented
          label="Show as"
          value={line.byAccount ? 'accounts' : 'line'}
          disabled={disabled}
          choices={[
            { value: 'line', label: 'One line', says: 'Opens to its accounts where somebody asks' },
            { value: 'accounts', label: 'By account', says: 'Its accounts stand under it' },
          ]}
          onChange={(value) => change({ ...line, byAccount: value === 'accounts' }, 'Detail')}
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

/** The key that formulas name it by; a wrong one is not taken. */
function KeyField({
  composer,
  line,
  disabled,
  onRekeyed,
}: {
  readonly composer: Composer;
  readonly line: OwnLine;
  readonly disabled: boolean;
  readonly onRekeyed: (key: string) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  if (disabled || typed === null)
    return (
      <button type="button" className={styles.key} disabled={disabled} title="Formulas name it by this key" onClick={() => setTyped(line.key)}>
        key <strong>{line.key}</strong>
      </button>
    );
  const keep = () => {
    const to = typed.trim();
    if (to !== line.key && isLineKey(to) && composer.edit([{ kind: 'rename_key', key: line.key, to }], `Key of ${line.caption}`)) onRekeyed(to);
    setTyped(null);
  };
  return (
    <input
      className={styles.keyInput}
      aria-label="Key"
      // biome-ignore lint/a11y/noAutofocus: whoever chose the key wants to write it
      autoFocus
      value={typed}
      aria-invalid={!isLineKey(typed.trim())}
      onChange={({ target: { value } }) => setTyped(value)}
      onBlur={keep}
      onKeyDown={(event) => {
        if (event.key === 'Enter') keep();
        if (event.key === 'Escape') setTyped(null);
      }}
    />
  );
}

const allElements = ['asset', 'liability', 'equity', 'income', 'expense'] as const;

function ElementsField({
  line,
  disabled,
  onChange,
}: {
  readonly line: Extract<OwnLine, { kind: 'remainder' }>;
  readonly disabled: boolean;
  readonly onChange: (elements: Extract<OwnLine, { kind: 'remainder' }>['elements']) => void;
}) {
  return (
    <fieldset className={styles.checks} disabled={disabled}>
      <legend className={styles.label}>Of which elements; none: those of its group</legend>
      {allElements.map((element) => (
        <label key={element}>
          <input
            type="checkbox"
            checked={line.elements.includes(element)}
            onChange={({ target: { checked } }) => onChange(checked ? [...line.elements, element] : line.elements.filter((one) => one !== element))}
          />
          {element}
        </label>
      ))}
    </fieldset>
  );
}

interface LookFieldsProps {
  readonly composer: Composer;
  readonly lineKey: string;
  readonly kind: OwnLine['kind'] | 'followed';
  readonly look: OwnLine['look'];
  readonly shown: OwnLine['shown'];
  readonly hiddenIn: string | null;
  readonly note: string;
  readonly disabled: boolean;
  readonly onChange: (changes: Partial<Pick<OwnLine, 'look' | 'shown' | 'hiddenIn' | 'note'>>, what: string, merges?: boolean) => void;
}

function LookFields({ composer, lineKey, kind, look, shown, hiddenIn, note, disabled, onChange }: LookFieldsProps) {
  const captions = captionsOf(composer.expanded);
  return (
    <>
      {kind !== 'space' && (
        <Segmented
          label="Rules and weight"
          value={look.weight}
          disabled={disabled}
          choices={[
            { value: 'usual', label: 'Usual', says: 'As its kind is printed' },
            { value: 'plain', label: 'Plain' },
            { value: 'strong', label: 'Strong' },
            { value: 'ruled', label: 'Ruled', says: 'A rule above its figures' },
            { value: 'final', label: 'Final', says: 'A double rule under its figures' },
          ]}
          onChange={(weight) => onChange({ look: { ...look, weight } }, 'Weight')}
        />
      )}
      <label className={styles.field}>
        <span className={styles.label}>Shown</span>
        <select
          className={styles.input}
          value={shown === 'never' && hiddenIn !== null ? `in ${hiddenIn}` : shown}
          disabled={disabled}
          onChange={({ target: { value } }) =>
            onChange(
              value.startsWith('in ') ? { shown: 'never', hiddenIn: value.slice(3) } : { shown: value as OwnLine['shown'], hiddenIn: null },
              'When it is shown',
            )
          }
        >
          <option value="with_amounts">with amounts</option>
          <option value="always">always</option>
          {kind === 'sum' && <option value="differs">where it differs from the sum above</option>}
          {(kind === 'sum' || kind === 'calculation' || kind === 'memo') && <option value="never">never: a helper</option>}
          <optgroup label="Within the figure of a line beside it">
            {besideOf(composer, lineKey).map((key) => (
              <option key={key} value={`in ${key}`}>
                {captions.get(key) ?? key}
              </option>
            ))}
          </optgroup>
        </select>
      </label>
      <div className={styles.pair}>
        <label className={styles.field}>
          <span className={styles.label}>Note</span>
          <input
            className={styles.input}
            value={note}
            disabled={disabled}
            maxLength={20}
            onChange={({ target: { value } }) => onChange({ note: value }, 'Note', true)}
          />
        </label>
        <label className={styles.field}>
          <span className={styles.label}>Indent</span>
          <input
            className={styles.input}
            type="number"
            min={0}
            max={6}
            value={look.indent}
            disabled={disabled}
            onChange={({ target: { value } }) =>
              onChange({ look: { ...look, indent: Math.min(6, Math.max(0, Math.round(Number(value) || 0))) } }, 'Indent', true)
            }
          />
        </label>
      </div>
      <fieldset className={styles.checks} disabled={disabled}>
        <label>
          <input
            type="checkbox"
            checked={look.spaceBefore}
            onChange={({ target: { checked } }) => onChange({ look: { ...look, spaceBefore: checked } }, 'Space')}
          />
          space before it
        </label>
        <label>
          <input
            type="checkbox"
            checked={look.breakBefore}
            onChange={({ target: { checked } }) => onChange({ look: { ...look, breakBefore: checked } }, 'Page break')}
          />
          a new page before it
        </label>
      </fieldset>
    </>
  );
}

/** Lines in whose figure one can be shown: those that stand beside it and have an amount of their own. */
function besideOf({ expanded }: Composer, key: string): string[] {
  const find = (lines: typeof expanded.layout.lines): typeof expanded.layout.lines | null => {
    for (const line of lines) {
      if (line.key === key) return lines;
      const inside = line.kind === 'group' || line.kind === 'heading' ? find(line.children) : null;
      if (inside) return inside;
    }
    return null;
  };
  return (find(expanded.layout.lines) ?? []).flatMap((line) =>
    line.key !== key && (line.kind === 'accounts' || line.kind === 'group' || line.kind === 'result') ? [line.key] : [],
  );
}

function FollowedPanel({
  composer,
  lineKey,
  origin,
  mayCompose,
}: {
  readonly composer: Composer;
  readonly lineKey: string;
  readonly origin: Extract<LineOrigin, { kind: 'followed' }>;
  readonly mayCompose: boolean;
}) {
  const disabled = !mayCompose;
  const { was, adjustment } = origin;
  const caption = adjustment?.caption ?? was;
  const adjust = (changes: AdjustmentChanges, what: string, merges = false) =>
    void composer.edit([{ kind: 'adjust', key: lineKey, changes }], `${what} of ${caption}`, { merges });
  const line = lineAt(composer.expanded.layout.lines, lineKey);
  const look = adjustment?.look ?? { weight: 'usual', indent: 0, spaceBefore: false, breakBefore: false };
  return (
    <>
      <header>
        <h2 className={styles.title}>{caption}</h2>
        <p className={styles.about}>Follows the categories · key {lineKey}</p>
      </header>
      {adjustment ? (
        <div className={styles.adjusted}>
          <p>
            Adjusted: {adjustment.caption !== undefined && adjustment.caption !== was && `was ${was}. `}
            {adjustment.after !== undefined && 'Moved. '}
            {adjustment.hiddenIn !== undefined && 'Shown in another line. '}
            It still grows and shrinks with its category.
          </p>
          {mayCompose && <Button onClick={() => composer.edit([{ kind: 'follow_again', key: lineKey }], `Follow ${was} again`)}>Follow again</Button>}
        </div>
      ) : (
        <p className={styles.quiet}>It is as the category tree has it. What you change here lies on top, and can be dropped again.</p>
      )}
      <label className={styles.field}>
        <span className={styles.label}>Caption</span>
        <input
          className={styles.input}
          data-caption
          value={caption}
          disabled={disabled}
          maxLength={200}
          onChange={({ target: { value } }) => adjust({ caption: value }, 'Caption', true)}
        />
      </label>
      <Segmented
        label="Sign"
        value={(adjustment?.reversed ?? line?.reversed) ? 'reversed' : 'natural'}
        disabled={disabled}
        choices={[
          { value: 'natural', label: 'Natural' },
          { value: 'reversed', label: 'Reversed', says: 'Shown the other way round; counted as before' },
        ]}
        onChange={(value) => adjust({ reversed: value === 'reversed' }, 'Sign')}
      />
      <LookFields
        composer={composer}
        lineKey={lineKey}
        kind="followed"
        look={look}
        shown={adjustment?.hiddenIn !== undefined ? 'never' : (adjustment?.shown ?? 'with_amounts')}
        hiddenIn={adjustment?.hiddenIn ?? null}
        note={adjustment?.note ?? ''}
        disabled={disabled}
        onChange={({ hiddenIn, ...changes }, what, merges) =>
          adjust(
            {
              ...changes,
              ...(hiddenIn === undefined ? {} : { hiddenIn: hiddenIn ?? undefined }),
              ...(changes.shown === 'with_amounts' ? { shown: undefined } : {}),
            },
            what,
            merges,
          )
        }
      />
    </>
  );
}

function lineAt(lines: readonly Line[], key: string): Line | undefined {
  for (const line of lines) {
    const found = line.key === key ? line : lineAt(childrenOf(line), key);
    if (found) return found;
  }
  return undefined;
}
