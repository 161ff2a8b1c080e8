import type { ReadPlacementBody } from '@ivory-ladder/contract';
import { placementColumns } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { counted } from '../../shared/words/counted.ts';
import styles from './PlacementFileDialog.module.css';

type Fault = ReadPlacementBody['faults'][number];

const words: Readonly<Record<Fault['code'], string>> = {
  heading_missing: 'the first row has no such heading',
  account_unknown: 'there is no such account here',
  account_twice: 'stands in a row above already',
  element_unknown: 'is no element: asset, liability, equity, income or expense',
  category_missing: 'a path is missing',
  category_twice: 'stands in a row above already',
  category_too_long: 'a name is longer than 200 characters',
  category_of_other_element: 'is of another element than the account',
  category_beside_sides: 'whatever the balance, or by side; not both',
  range_malformed: 'cannot be read as account numbers',
};

const headingOf = (column: string): string => placementColumns.find(({ key }) => key === column)?.heading ?? column;

/** Rows of a placement file that cannot be taken, so that nothing of it was. */
export function PlacementFileDialog({ file, read, onClose }: { file: string; read: ReadPlacementBody; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="placement-file">
      <DialogTitle id="placement-file">Nothing of {file} was taken</DialogTitle>
      <DialogContent>
        <p>{counted(read.faultCount, 'cell')} of it cannot be read. Mend them in the file and load it once more.</p>
        <table className={styles.faults}>
          <thead>
            <tr>
              <th scope="col">Row</th>
              <th scope="col">Column</th>
              <th scope="col">Found</th>
              <th scope="col">What is wrong</th>
            </tr>
          </thead>
          <tbody>
            {read.faults.map(({ row, column, code, found }) => (
              <tr key={`${row} ${column} ${code}`}>
                <td>{row}</td>
                <td>{headingOf(column)}</td>
                <td>{found === '' ? '–' : found}</td>
                <td>{words[code]}</td>
              </tr>
            ))}
          </tbody>
        </table>
        {read.faults.length < read.faultCount && <p>and {read.faultCount - read.faults.length} more</p>}
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Close
        </Button>
      </DialogActions>
    </Dialog>
  );
}
