import { describe, expect, it } from 'vitest';
import { chartNumbers } from '../placement/index.ts';
import { numberSought, quoted, unquoted } from './numberSought.ts';

const accounts = ['1062', '6200', '6210', '7100'].map((number) => ({ number }));
const found = (find: string, chart = accounts) => {
  const sought = numberSought(find, chart, chartNumbers(chart.map(({ number }) => number)), 'by_value');
  return sought && [sought.words, ...chart.filter(sought.holds).map(({ number }) => number)];
};

describe('what is typed to find accounts', () => {
  it('means numbers where it is digits that a number begins with, or a range that holds some', () => {
    expect(found('62')).toEqual(['numbers that begin with 62', '6200', '6210']);
    expect(found(' 6200 to 6299 ')).toEqual(['numbers 6200 to 6299', '6200', '6210']);
    expect(found('6200-6299')).toEqual(['numbers 6200 to 6299', '6200', '6210']);
    expect(found('62* except 6210, 71*')).toEqual(['numbers 62* except 6210, 71*', '6200']);
    expect(found('from 6210')).toEqual(['numbers from 6210', '6210', '7100']);
  });

  it('means words where no number is held, where words stand beside the digits, and between quotes', () => {
    for (const find of ['', 'hull', '99', '8000 to 8999', 'hull 62', 'lease 2026 to 2031', 'to', '"62"', 'G-62']) expect(found(find), find).toBeNull();
  });

  it('goes from numbers to words and back by quotes', () => {
    expect([unquoted(quoted('62 ')), unquoted('62'), found(quoted('62'))]).toEqual(['62', null, null]);
  });

  it('takes a dash for a part of a number in a chart that has such', () => {
    const dashes = ['A-10', 'A-20', '10-1'].map((number) => ({ number }));
    expect(found('10-1', dashes)).toEqual(['numbers 10-1', '10-1']);
  });
});
