import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import type { Failure } from '../failure.ts';
import type { Ports, PrintedSet, WrittenFile } from '../ports/index.ts';
import { runSet } from './runSet.ts';
import { documentOf } from './runStatement.ts';

/** A set is printed whole or not at all; what does not tie is said on its cover. */
export async function printSet(ports: Ports, access: Access, id: number, choice: Parameters<typeof runSet>[3]): Promise<Outcome<WrittenFile, Failure>> {
  const ran = await runSet(ports, access, id, choice);
  if (!ran.ok) return ran;
  const { set, books, parts, proofs, comments } = ran.value;
  const statements: PrintedSet['statements'][number][] = [];
  for (const { part, statement } of parts) {
    if (!statement.ok) return statement;
    statements.push({ document: documentOf(statement.value), comments: comments.filter(({ partKey }) => partKey === part.key) });
  }
  const [first] = statements;
  if (!first) return fail({ code: 'set_empty', name: set.name });
  const { language } = first.document.content;
  const span = { firstDay: choice.from, lastDay: choice.to };
  const isUnfinished = proofs.some(({ state }) => state === 'fails');
  return succeed(await ports.writer.printSet({ name: set.name, company: books.company.name, span, language, statements, isUnfinished }));
}
