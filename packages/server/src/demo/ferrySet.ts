import type { SetPart } from '@ivory-ladder/core';
import { ownAccess } from '../application/access.ts';
import type { Books, Ports } from '../application/ports/index.ts';
import { addSet, setComment } from '../application/statements/index.ts';
import { demoActor } from './demoActor.ts';
import { must } from './must.ts';

const day = '2026-09-30';

/** What goes to the bank each quarter: its balance sheet, income statement, changes in equity and cash flow, with comments; made once. */
export async function makeFerrySet(ports: Ports, books: Books): Promise<void> {
  const access = ownAccess(books.company.id, demoActor);
  if ((await ports.sets.list(books.company.id)).length > 0) return;
  const sheet = (await ports.layouts.list(books.company.id)).find(({ name }) => name === 'Balance sheet for the bank');
  const part = (key: string, statement: SetPart['statement']): SetPart => ({ key, statement, title: '', columns: null, detail: 2, zeroLines: false });
  const parts = [part('balance_sheet', sheet?.id ?? 'balance_sheet'), part('income_statement', 'income_statement'), part('equity', 'changes_in_equity'), part('cash_flow', 'cash_flow')];
  const { id } = must(
    await addSet(ports, access, {
      name: 'Statements for Nordskerry Bank',
      definition: { parts, scale: { unit: 'thousands', rounding: 'footed' }, language: null },
    }),
  );
  const line = (name: string): string => `category.${books.categories.find((category) => category.name === name)?.id ?? 0}`;
  const comments = [
    ['income_statement', line('Fuel and lubricants'), 'Two more crossings a day on the northern route from May, at a price of diesel that hardly changed.'],
    ['income_statement', line('Exchange differences'), 'On the loan in kroner: the krone rose in the summer.'],
    ['equity', 'distributions', 'The dividend for 2025, paid in May.'],
    ['cash_flow', 'cash_closing', 'After the season; a quarter’s repayment of the vessel loans falls due in December.'],
  ] as const;
  for (const [partKey, lineKey, text] of comments) must(await setComment(ports, access, id, { partKey, lineKey, day, text }, 0));
}
