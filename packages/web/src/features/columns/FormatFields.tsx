import { columnDecimals, decimalsIn, type NumberFormat, type PlanColumn } from '@ivory-ladder/core';
import { SelectField } from '../../shared/components/SelectField.tsx';

interface FormatFieldsProps {
  readonly column: PlanColumn;
  readonly disabled: boolean;
  readonly onChange: (column: PlanColumn, what: string) => void;
}

/** How the figures of a column are written; what is as usual is not kept. */
export function FormatFields({ column, disabled, onChange }: FormatFieldsProps) {
  const { format = {}, ...others } = column;
  const usual = decimalsIn({ ...others, kind: column.kind === 'amounts' ? 'amount' : column.kind });
  const change = (changed: NumberFormat, what: string) =>
    onChange((Object.keys(changed).length === 0 ? others : { ...others, format: changed }) as PlanColumn, what);
  const without = (name: keyof NumberFormat): NumberFormat => Object.fromEntries(Object.entries(format).filter(([key]) => key !== name));
  return (
    <>
      {usual !== null && (
        <SelectField
          label="Decimals"
          value={String(format.decimals ?? usual)}
          choices={columnDecimals.map((value) => ({ value: String(value), label: value === 0 ? 'none' : String(value) }))}
          disabled={disabled}
          onChange={(value) =>
            change(Number(value) === usual ? without('decimals') : { ...format, decimals: Number(value) as (typeof columnDecimals)[number] }, 'Decimals')
          }
        />
      )}
      <SelectField
        label="Negative figures"
        value={format.negatives ?? 'parentheses'}
        choices={[
          { value: 'parentheses', label: 'in parentheses' },
          { value: 'minus', label: 'with a minus' },
        ]}
        disabled={disabled}
        onChange={(value) => change(value === 'minus' ? { ...format, negatives: value } : without('negatives'), 'Negative figures')}
      />
      <SelectField
        label="Nil"
        value={format.nil ?? 'dash'}
        choices={[
          { value: 'dash', label: 'a dash' },
          { value: 'zero', label: 'noughts' },
        ]}
        disabled={disabled}
        onChange={(value) => change(value === 'zero' ? { ...format, nil: value } : without('nil'), 'Nil')}
      />
    </>
  );
}
