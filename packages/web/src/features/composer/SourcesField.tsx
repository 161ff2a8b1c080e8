import { accountRoles, elements, formatAmount, natures, type RangeTextMalformed, readRangeText, type Side, type Source, steps } from '@ivory-ladder/core';
import Close from '@mui/icons-material/Close';
import Autocomplete from '@mui/material/Autocomplete';
import { memo, useCallback, useMemo, useRef, useState } from 'react';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { RangeFault } from '../placement/index.ts';
import styles from './LinePanel.module.css';
import { heldBy, sourceWords } from './sourceWords.ts';
import type { Composer } from './useComposer.ts';

interface SourcesFieldProps {
  readonly composer: Composer;
  readonly label: string;
  readonly sources: readonly Source[];
  /** What is left out of them; `null` for the field of the exceptions itself. */
  readonly except: readonly Source[] | null;
  readonly takes: 'any' | 'debit' | 'credit';
  /** On which its amounts count as positive. */
  readonly side: Side;
  readonly disabled: boolean;
  readonly onChange: (sources: readonly Source[]) => void;
  readonly onChoose?: () => void;
}

interface Option {
  readonly source: Source;
  readonly label: string;
  readonly group: string;
}

const mostOptions = 40;

/** Sources that are there in every chart. */
const groupsOfSources: readonly Source[] = [
  ...steps.map((step): Source => ({ kind: 'step', step })),
  ...natures.flatMap((nature): Source[] => [
    { kind: 'nature', nature, elements: ['asset', 'liability', 'equity'] },
    { kind: 'nature', nature, elements: ['income', 'expense'] },
    ...elements.map((element): Source => ({ kind: 'nature', nature, elements: [element] })),
  ]),
  ...accountRoles.map((role): Source => ({ kind: 'role', role })),
  ...elements.map((element): Source => ({ kind: 'elements', elements: [element] })),
];

/** Where a line takes accounts from: each source with what it holds now. New ones are typed as numbers, or found by name. */
export function SourcesField({ composer, label, sources, except, takes, side, disabled, onChange, onChoose }: SourcesFieldProps) {
  const { facts, view, lists, movements } = composer;
  const { currency, exponent } = useCompany();
  const live = useRef({ sources, onChange });
  live.current = { sources, onChange };
  const add = useCallback((source: Source) => live.current.onChange([...live.current.sources, source]), []);
  const shown = (net: bigint) => formatAmount(side === 'debit' ? net : -net, { code: currency, exponent });
  return (
    <div className={styles.field}>
      <span className={styles.label}>{label}</span>
      <ul className={styles.sources}>
        {sources.map((source, at) => {
          const held = heldBy([source], except ?? [], takes, facts, view, movements);
          return (
            <li
              // biome-ignore lint/suspicious/noArrayIndexKey: sources have no other identity than their place
              key={at}
              title={held.accounts
                .slice(0, 15)
                .map((account) => account.label)
                .join('\n')}
            >
              {source.kind === 'numbers' ? (
                <NumbersInput
                  text={source.text}
                  disabled={disabled}
                  onChange={(text) => onChange(sources.map((one, place) => (place === at ? { kind: 'numbers', text } : one)))}
                />
              ) : (
                <span className={styles.sourceName}>{sourceWords(source, facts, view, lists)}</span>
              )}
              <span className={styles.held}>
                {counted(held.accounts.length, 'account')}
                <span>{shown(held.net)}</span>
              </span>
              {!disabled && (
                <button
                  type="button"
                  className={styles.off}
                  aria-label={`Take ${sourceWords(source, facts, view, lists)} off`}
                  onClick={() => onChange(sources.filter((_, place) => place !== at))}
                >
                  <Close fontSize="inherit" />
                </button>
              )}
            </li>
          );
        })}
      </ul>
      {!disabled && <AddSource facts={facts} view={view} lists={lists} label={label} onAdd={add} />}
      {!disabled && onChoose && (
        <button type="button" className={styles.link} onClick={onChoose}>
          Choose from the chart…
        </button>
      )}
    </div>
  );
}

interface AddSourceProps extends Pick<Composer, 'facts' | 'view' | 'lists'> {
  readonly label: string;
  readonly onAdd: (source: Source) => void;
}

/** Typed as numbers, or found by name; not drawn anew for every edit, since a chart has thousands of names. */
const AddSource = memo(function AddSource({ facts, view, lists, label, onAdd }: AddSourceProps) {
  const { digitOrder } = useCompany();
  const [typed, setTyped] = useState('');
  const options = useMemo(
    (): Option[] => [
      ...[...facts.tree.nodes.values()].map((node) => {
        const source: Source = { kind: 'category', categoryId: node.category.id };
        return { source, label: sourceWords(source, facts, view, lists), group: 'Categories' };
      }),
      ...lists
        .filter(({ kind }) => kind === 'report')
        .flatMap(({ key, name, codes }) =>
          codes.map(({ code, caption }) => ({
            source: { kind: 'code', list: key as Extract<Source, { kind: 'code' }>['list'], code, begins: false } as const,
            label: `${name}: ${code} ${caption}`,
            group: 'Report codes',
          })),
        ),
      ...groupsOfSources.map((source) => ({ source, label: sourceWords(source, facts, view, lists), group: 'Steps, flows, roles and elements' })),
      ...view.accounts.map(({ id, label: name }) => ({ source: { kind: 'account', accountId: id } as const, label: name, group: 'Accounts' })),
    ],
    [facts, view, lists],
  );
  const numbers = typed.trim();
  const read = numbers === '' ? null : readRangeText(numbers, digitOrder);
  const looksLikeNumbers = /\d|\*/.test(numbers) && !options.some((option) => option.label.toLowerCase() === numbers.toLowerCase());
  const fault: RangeTextMalformed | null = looksLikeNumbers && read && !read.ok ? read.failure : null;
  const addNumbers = (text: string) => {
    const ranges = readRangeText(text, digitOrder);
    if (!ranges.ok || ranges.value.include.length === 0) return;
    onAdd({ kind: 'numbers', text });
    setTyped('');
  };
  return (
    <Autocomplete<Option, false, false, true>
      freeSolo
      size="small"
      options={options}
      groupBy={(option) => option.group}
      getOptionLabel={(option) => (typeof option === 'string' ? option : option.label)}
      filterOptions={(all, { inputValue }) => {
        const words = inputValue.trim().toLowerCase();
        return words === '' ? [] : all.filter((option) => option.label.toLowerCase().includes(words)).slice(0, mostOptions);
      }}
      inputValue={typed}
      value={null}
      onInputChange={(_, text, reason) => reason !== 'reset' && setTyped(text)}
      onChange={(_, chosen) => {
        if (typeof chosen === 'string') addNumbers(chosen.trim());
        else if (chosen) {
          onAdd(chosen.source);
          setTyped('');
        }
      }}
      renderInput={({ slotProps }) => (
        <div ref={slotProps.input.ref}>
          <input
            {...slotProps.htmlInput}
            className={styles.input}
            aria-label={`Add to: ${label}`}
            aria-invalid={fault !== null}
            placeholder="1000 to 1099, or a name"
          />
          {fault && (
            <small className={styles.wrong}>
              <RangeFault text={numbers} failure={fault} />
            </small>
          )}
        </div>
      )}
    />
  );
});

/** Account numbers in their text form; what is wrong is said where it is, and what stood before stays until it is right. */
function NumbersInput({ text, disabled, onChange }: { readonly text: string; readonly disabled: boolean; readonly onChange: (text: string) => void }) {
  const { digitOrder } = useCompany();
  const [typed, setTyped] = useState<string | null>(null);
  const read = readRangeText(typed ?? text, digitOrder);
  return (
    <span className={styles.numbers}>
      <input
        aria-label="Account numbers"
        value={typed ?? text}
        disabled={disabled}
        aria-invalid={!read.ok}
        onChange={({ target: { value } }) => {
          setTyped(value);
          if (readRangeText(value, digitOrder).ok) onChange(value.trim());
        }}
        onBlur={() => read.ok && setTyped(null)}
      />
      {!read.ok && (
        <small className={styles.wrong}>
          <RangeFault text={typed ?? text} failure={read.failure} />
        </small>
      )}
    </span>
  );
}
