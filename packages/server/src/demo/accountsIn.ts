import type { Element } from '@ivory-ladder/core';
import type { DemoAccount } from './demoCompany.ts';

/** `number | name | category path | parent`, by element. */
export function accountsIn(lists: Readonly<Record<Element, string>>): DemoAccount[] {
  return Object.entries(lists).flatMap(([element, text]) =>
    text
      .trim()
      .split('\n')
      .map((line): DemoAccount => {
        const [number = '', name = '', category = '', parent = ''] = line.split('|');
        return { number, name, element: element as Element, category, parent };
      }),
  );
}
