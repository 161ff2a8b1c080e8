import { elements, type FlowPart, type Followed, type FollowsOwnLine, flowParts, pathOf, steps } from '@ivory-ladder/core';
import { Segmented } from '../../shared/components/Segmented.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { stepNames } from '../placement/index.ts';
import styles from './LinePanel.module.css';
import type { Composer } from './useComposer.ts';

interface FollowsFieldProps {
  readonly composer: Composer;
  readonly line: FollowsOwnLine;
  readonly disabled: boolean;
  readonly onChange: (line: FollowsOwnLine, caption?: string) => void;
}

const partWords: Readonly<Record<FlowPart, string>> = {
  without_cash: 'Items without cash',
  working_capital: 'Working capital',
  investing: 'Investing, by what comes and goes',
  financing: 'Financing, by what comes and goes',
};

/** The part of the category tree that a line follows, and whether it is framed with a subtotal. */
export function FollowsField({ composer, line, disabled, onChange }: FollowsFieldProps) {
  const { facts } = composer;
  const choices: readonly { readonly group: string; readonly choices: readonly (readonly [string, string])[] }[] = [
    ...(composer.layout.kind === 'cash_flow'
      ? [{ group: 'Parts of a cash flow', choices: flowParts.map((part) => [write({ of: 'flow', part }), partWords[part]] as const) }]
      : []),
    {
      group: 'All of an element',
      choices: elements.map((element) => [write({ of: 'element', element }), `All ${element} categories`] as const),
    },
    {
      group: 'Current and non-current',
      choices: (['asset', 'liability'] as const).flatMap((element) =>
        (['non_current', 'current'] as const).map(
          (term) => [write({ of: 'term', element, term }), `${term === 'current' ? 'Current' : 'Non-current'} ${element} categories`] as const,
        ),
      ),
    },
    { group: 'Steps of the income statement', choices: steps.map((step) => [write({ of: 'step', step }), `Step: ${stepNames[step].toLowerCase()}`] as const) },
    {
      group: 'One category with all below it',
      choices: [...facts.tree.nodes.values()].map((node) => [write({ of: 'category', categoryId: node.category.id }), pathOf(node).join(' › ')] as const),
    },
  ];
  return (
    <>
      <label className={styles.field}>
        <span className={styles.label}>Follows</span>
        <Select
          wide
          value={write(line.followed)}
          disabled={disabled}
          onChange={({ target: { value, selectedOptions } }) => onChange({ ...line, followed: JSON.parse(value) as Followed }, selectedOptions[0]?.label)}
        >
          {choices.map(({ group, choices: those }) => (
            <optgroup key={group} label={group}>
              {those.map(([value, label]) => (
                <option key={value} value={value}>
                  {label}
                </option>
              ))}
            </optgroup>
          ))}
        </Select>
      </label>
      <Segmented
        label="Its lines stand"
        value={line.frame}
        disabled={disabled}
        choices={[
          { value: 'group', label: 'In a group', says: 'Under its caption, with a subtotal' },
          { value: 'several', label: 'If several', says: 'In a group where there is more than one line to add up' },
          { value: 'bare', label: 'Bare', says: 'Beside the other lines, without caption and subtotal' },
        ]}
        onChange={(frame) => onChange({ ...line, frame })}
      />
      {line.followed.of !== 'flow' && line.followed.of !== 'category' && (
        <Segmented
          label="Their order"
          value={line.backwards ? 'backwards' : 'placed'}
          disabled={disabled}
          choices={[
            { value: 'placed', label: 'As placed', says: 'As the placement has the categories' },
            { value: 'backwards', label: 'Last first', says: 'The last of the categories first; what is deducted from one stays behind it' },
          ]}
          onChange={(order) => {
            const { backwards: _, ...others } = line;
            onChange({ ...others, ...(order === 'backwards' ? { backwards: true } : {}) });
          }}
        />
      )}
    </>
  );
}

/** Keys in one order, so that equal ones are the same text. */
function write(followed: Followed): string {
  return JSON.stringify(Object.fromEntries(Object.entries(followed).sort(([a], [b]) => (a < b ? -1 : 1))));
}
