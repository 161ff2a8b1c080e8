import type { RanSet as RanSetBody, SetDefinitionBody, StatementSetBody } from '@ivory-ladder/contract';
import { mapOutcome, type SetDefinition, type SetProof, succeed } from '@ivory-ladder/core';
import type { Books, CommentRecord, Ports, StatementSetRecord } from '../application/ports/index.ts';
import { addSet, changeSet, deleteSet, documentOf, listSets, printSet, type RanSet, runSet, setComment } from '../application/statements/index.ts';
import { text } from './amountText.ts';
import type { On } from './operationRoutes.ts';
import { toProblem } from './problems.ts';
import { toProofAccounts, toStatement } from './statementAnswers.ts';
import { kindOf, nameOf } from './statementNames.ts';

/** Statements that are run together. */
export function setRoutes(on: On, ports: Ports): void {
  on('listSets', async ({ access }) => succeed({ sets: (await listSets(ports, access)).map(toSet) }));
  on('addSet', async ({ access, body: { name, definition } }) =>
    mapOutcome(await addSet(ports, access, { name, definition: toDefinition(definition) }), toSet),
  );
  on('changeSet', async ({ access, id, body: { version, name, definition } }) =>
    mapOutcome(await changeSet(ports, access, id('setId'), version, { name, definition: toDefinition(definition) }), toSet),
  );
  on('deleteSet', async ({ access, id, query }) => deleteSet(ports, access, id('setId'), query.version ?? null));
  on('runSet', async ({ access, id, query }) => mapOutcome(await runSet(ports, access, id('setId'), query), toRan));
  on('printSet', ({ access, id, query }) => printSet(ports, access, id('setId'), query));
  on('setComment', async ({ access, id, body: { version, ...comment } }) =>
    mapOutcome(await setComment(ports, access, id('setId'), comment, version), (kept) => kept && toComment(kept)),
  );
}

function toDefinition({ parts, ...settings }: SetDefinitionBody): SetDefinition {
  return { ...settings, parts: parts.map((part) => ({ ...part, statement: nameOf(part.statement) })) };
}

function toSet({ definition: { parts, ...settings }, ...record }: StatementSetRecord): StatementSetBody {
  return { ...record, definition: { ...settings, parts: parts.map((part) => ({ ...part, statement: kindOf(part.statement) })) } };
}

function toComment({ partKey, lineKey, text: content, changedAt, changedBy, version }: CommentRecord): RanSetBody['comments'][number] {
  return { partKey, lineKey, text: content, changedAt, changedBy, version };
}

function toRan({ set, books, parts, proofs, comments, earlier }: RanSet): RanSetBody {
  return {
    set: toSet(set),
    parts: parts.map(({ part, statement }) => {
      if (statement.ok) return { key: part.key, statement: toStatement(documentOf(statement.value)), failure: null };
      const { code, facts } = toProblem(statement.failure);
      return { key: part.key, statement: null, failure: { code, facts } };
    }),
    proofs: proofs.map((proof) => toProof(books, proof)),
    currency: books.company.currency.code,
    exponent: books.company.currency.exponent,
    comments: comments.map(toComment),
    earlier: earlier.map((comment) => ({ ...toComment(comment), day: comment.day })),
    revision: books.cube.revision,
  };
}

function toProof(books: Books, { name, state, difference, ties, faults }: SetProof): RanSetBody['proofs'][number] {
  return {
    name,
    state,
    difference: text(difference),
    ties: ties.map((tie) => ({ ...tie, figures: tie.figures.map((figure) => ({ ...figure, net: text(figure.net) })) })),
    faults: faults.map(({ part, accounts }) => ({ part, accounts: toProofAccounts(books, accounts) })),
  };
}
