import type { CodeListBody, JournalLook, JournalReadingBody } from '@ivory-ladder/contract';
import { type JournalColumn, journalColumnNames, journalColumns, type ListKey } from '@ivory-ladder/core';
import { Select } from '../../shared/components/Select.tsx';
import styles from './JournalImportScreen.module.css';

interface JournalColumnsProps {
  readonly look: JournalLook;
  readonly reading: JournalReadingBody;
  readonly facets: readonly CodeListBody[];
  readonly onChange: (reading: JournalReadingBody) => void;
}

const rowsShown = 8;

/** The first rows of the file, and above each column what it is; what is wrong there is corrected before the file is read. */
export function JournalColumns({ look, reading, facets, onChange }: JournalColumnsProps) {
  const width = Math.max(...look.rows.map((row) => row.length));
  const meaningOf = (at: number): string =>
    journalColumnNames.find((column) => reading.columns[column] === at) ?? Object.entries(reading.facets).find(([, column]) => column === at)?.[0] ?? '';
  const choose = (at: number, meaning: string) => {
    const columns = Object.fromEntries(Object.entries(reading.columns).filter(([column, place]) => place !== at && column !== meaning));
    const values = Object.fromEntries(Object.entries(reading.facets).filter(([facet, place]) => place !== at && facet !== meaning)) as Record<ListKey, number>;
    const isFacet = facets.some(({ key }) => key === meaning);
    onChange({
      ...reading,
      columns: isFacet || meaning === '' ? columns : { ...columns, [meaning as JournalColumn]: at },
      facets: isFacet ? { ...values, [meaning as ListKey]: at } : values,
    });
  };
  return (
    <div className={styles.sample}>
      <table>
        <thead>
          <tr>
            {Array.from({ length: width }, (_, at) => (
              // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
              <th key={at} scope="col">
                <Select
                  aria-label={`What column ${at + 1} is`}
                  value={meaningOf(at)}
                  data-used={meaningOf(at) !== '' || undefined}
                  onChange={(event) => choose(at, event.target.value)}
                >
                  <option value="">not used</option>
                  {journalColumnNames.map((column) => (
                    <option key={column} value={column}>
                      {journalColumns[column].heading}
                    </option>
                  ))}
                  {facets.map(({ key, name }) => (
                    <option key={key} value={key}>
                      {name}
                    </option>
                  ))}
                </Select>
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {look.rows.slice(reading.headingRow, reading.headingRow + rowsShown).map((row, line) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows are told apart by their place
            <tr key={line} data-heading={line === 0 || undefined}>
              {Array.from({ length: width }, (_, at) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place
                <td key={at}>{row[at]}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}
