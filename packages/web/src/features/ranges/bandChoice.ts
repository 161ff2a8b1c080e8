import { type DigitOrder, type Element, elements, sortByNumber } from '@ivory-ladder/core';
import { elementName, type PlacedAccount } from '../rehearsal/index.ts';

/** A part of the chart that is looked at: an element, or those of its numbers that begin alike. */
export interface BandChoice {
  readonly key: string;
  readonly label: string;
  /** `null`: all of them. */
  readonly element: Element | null;
  /** In number order. */
  readonly accounts: readonly PlacedAccount[];
}

const fewest = 2;

/** The whole chart, then the elements that have numbered accounts, each whole and, where it is long, by the first character of its numbers. */
export function bandChoices(accounts: Iterable<PlacedAccount>, order: DigitOrder): BandChoice[] {
  const numbered = sortByNumber(
    [...accounts].filter(({ number, isParent, amount }) => number !== '' && (!isParent || amount !== '0')),
    order,
  );
  if (numbered.length === 0) return [];
  const whole: BandChoice = { key: 'all', label: 'All categories', element: null, accounts: numbered };
  return [
    whole,
    ...elements.flatMap((element): BandChoice[] => {
      const own = numbered.filter((account) => account.element === element);
      const [first, last] = [own[0], own.at(-1)];
      if (!first || !last) return [];
      const whole = { key: element, label: `${elementName(element)}: ${first.number} to ${last.number}`, element, accounts: own };
      const beginnings = [...new Set(own.map(({ number }) => number[0] as string))];
      if (beginnings.length < fewest) return [whole];
      return [
        whole,
        ...beginnings.map((beginning) => {
          const some = own.filter(({ number }) => number.startsWith(beginning));
          return { key: `${element} ${beginning}`, label: `${elementName(element)}: ${some[0]?.number} to ${some.at(-1)?.number}`, element, accounts: some };
        }),
      ];
    }),
  ];
}

export type TickState = 'placed' | 'by_hand' | 'in_no_range' | 'unplaced' | 'doubled' | 'odd';

export function tickState({ places, placesByRange, doubledIn, oddIn }: PlacedAccount): TickState {
  if (doubledIn.length > 0) return 'doubled';
  if (oddIn.length > 0) return 'odd';
  if (placesByRange.length > 0) return 'placed';
  return places.length > 0 ? 'by_hand' : 'unplaced';
}
