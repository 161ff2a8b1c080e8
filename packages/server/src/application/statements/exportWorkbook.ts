import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { Ports, WrittenFile } from '../ports/index.ts';
import type { StatementName } from './prepareStatement.ts';
import { documentOf, runStatement, type StatementChoice } from './runStatement.ts';

/** A workbook computes with fifteen digits; an amount with more would change in silence. */
const mostMinorUnits = 10n ** 15n;

/** The statement as a workbook; an amount that it could not hold to the minor unit is refused by its line. */
export async function exportWorkbook(ports: Ports, access: Access, name: StatementName, choice: StatementChoice): Promise<Outcome<WrittenFile, Failure>> {
  const statement = await runStatement(ports, access, name, { ...choice, withAccounts: true });
  if (!statement.ok) return statement;
  // In another currency figures may have more digits than what they are made of.
  const beyond = [...statement.value.exactRows, ...statement.value.rows].find(({ values }) =>
    values.some((value) => value !== null && (value >= mostMinorUnits || value <= -mostMinorUnits)),
  );
  return beyond ? fail({ code: 'amount_beyond_workbook', line: beyond.caption }) : succeed(await ports.writer.toWorkbook(documentOf(statement.value)));
}
