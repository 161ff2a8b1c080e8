import type { StatementBody } from '@ivory-ladder/contract';
import { headingLines } from '@ivory-ladder/core';
import { Fragment } from 'react';

type Column = StatementBody['columns'][number];

/** What a column is, as it is printed over its figures. */
export function ColumnHeading({ column, statement: { columns, language } }: { column: Column; statement: Pick<StatementBody, 'columns' | 'language'> }) {
  return (column.lines ?? headingLines(column, columns, language)).map((line, at) => (
    <Fragment key={line}>
      {at > 0 && <br />}
      {line}
    </Fragment>
  ));
}
