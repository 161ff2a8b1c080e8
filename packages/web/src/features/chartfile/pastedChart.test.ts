import { describe, expect, it } from 'vitest';
import { pastedChart } from './pastedChart.ts';

describe('a block pasted into the chart', () => {
  it('without headings is numbers and names, then element, category and the account above', () => {
    expect(pastedChart('6200\tInsurance\r\n6300\tTravel\r\n')).toBe('Number\tName\n6200\tInsurance\n6300\tTravel\n');
    expect(pastedChart('6200\tInsurance\texpense\tStaff costs\t6000')?.split('\n')[0]).toBe('Number\tName\tElement\tCategory\tNested below');
  });

  it('with its own headings stays as it is', () => {
    expect(pastedChart('Purpose\tNumber\nRopes\t6120')).toBe('Purpose\tNumber\nRopes\t6120');
  });

  it('is not a single column, nor a sentence', () => {
    expect(pastedChart('6200\n6300')).toBeNull();
    expect(pastedChart('hello there')).toBeNull();
  });
});
