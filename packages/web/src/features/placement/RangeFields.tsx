import { type DigitOrder, type Element, type NumberRanges, numberKey, type PlaceSide, rangeTest } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { counted } from '../../shared/words/counted.ts';
import type { PlacementModel } from '../rehearsal/index.ts';
import { RangeFault } from './RangeFault.tsx';
import { type ChartNumbers, numbersUnknown, readTypedRange } from './typedRange.ts';
import { useChartNumbers } from './useChartNumbers.ts';

export type RangeTexts = Readonly<Record<PlaceSide, string>>;

interface RangeFieldsProps {
  readonly model: PlacementModel;
  readonly element: Element;
  readonly digitOrder: DigitOrder;
  readonly texts: RangeTexts;
  readonly onChange: (texts: RangeTexts) => void;
}

const labels = { any: 'Account numbers', debit: 'Account numbers while in debit', credit: 'Account numbers while in credit' } as const;

/** Account numbers that a category takes, in their text form: the fault at its place in the text, else how many accounts they hold. */
export function RangeFields({ model, element, digitOrder, texts, onChange }: RangeFieldsProps) {
  const [bySide, setBySide] = useState(texts.debit !== '' || texts.credit !== '');
  const numbers = useChartNumbers();
  const field = (side: PlaceSide) => {
    const read = readTypedRange(texts[side], numbers, digitOrder);
    return (
      <TextField
        key={side}
        label={labels[side]}
        placeholder={side === 'any' ? '1000 to 1999, 2105, 24* except 2450' : undefined}
        value={texts[side]}
        onChange={(event) => onChange({ ...texts, [side]: event.target.value })}
        error={!read.ok}
        helperText={read.ok ? heldText(model, element, read.value.ranges, digitOrder, numbers) : <RangeFault text={texts[side]} failure={read.failure} />}
        slotProps={{ htmlInput: { maxLength: 2000, spellCheck: false } }}
      />
    );
  };
  return (
    <>
      {field('any')}
      {bySide ? (
        (['debit', 'credit'] as const).map(field)
      ) : (
        <Button size="small" sx={{ justifySelf: 'start' }} onClick={() => setBySide(true)}>
          Only while in debit or in credit…
        </Button>
      )}
    </>
  );
}

/** Accounts placed by hand stay where they are, and other elements' are only said. */
function heldText(model: PlacementModel, element: Element, ranges: NumberRanges, order: DigitOrder, numbers: ChartNumbers): string {
  if (ranges.include.length === 0) return 'Accounts with these numbers stand here unless they are placed by hand, also those made later';
  const holds = rangeTest(ranges, order);
  const held = [...model.byId.values()].filter(({ number }) => holds(numberKey(number, order)));
  const own = held.filter((account) => account.element === element);
  const byHand = own.filter(({ places }) => places.length > 0).length;
  const others = held.length - own.length;
  const unknown = numbersUnknown(ranges, numbers);
  return [
    `Holds ${counted(own.length, 'account')}`,
    byHand > 0 ? `, ${byHand} of them placed by hand` : '',
    others > 0 ? `; ${counted(others, 'account')} of another element cannot stand here` : '',
    unknown.length > 0 ? `; no account ${unknown.join(', ')}` : '',
  ].join('');
}
