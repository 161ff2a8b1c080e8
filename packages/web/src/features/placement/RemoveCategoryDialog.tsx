import { type CategoryNode, pathOf, walkCategories } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import { type FormEvent, useState } from 'react';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { counted } from '../../shared/words/counted.ts';
import { usePlacement } from '../rehearsal/index.ts';
import styles from './CategoryPanel.module.css';
import { usePlacementActions } from './usePlacementActions.ts';

/** Where the accounts of a category go that is taken away, or merged into another. */
export function RemoveCategoryDialog({ node, onClose }: { node: CategoryNode; onClose: () => void }) {
  const { model } = usePlacement();
  const actions = usePlacementActions();
  const { id, name, element } = node.category;
  const standing = model.standing.get(id) ?? [];
  const ranges = model.placement.categories.get(id)?.ranges ?? [];
  const [into, setInto] = useState(node.parent && standing.length > 0 ? node.parent.category.id : 0);
  const [withBelow, setWithBelow] = useState(false);
  const targets: { id: number; path: string }[] = [];
  walkCategories(model.tree.tops.get(element) ?? [], (other) => {
    for (let above: CategoryNode | null = other; above; above = above.parent) if (above === node) return;
    targets.push({ id: other.category.id, path: pathOf(other).join(' › ') });
  });
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (actions.remove(id, into === 0 ? null : into, withBelow)) onClose();
  };
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="xs">
      <form onSubmit={submit}>
        <DialogTitle>Delete {name}</DialogTitle>
        <DialogContent sx={{ display: 'grid', gap: 2, pt: '8px !important' }}>
          <SelectTextField
            autoFocus
            label={`${counted(standing.length, 'account')}${ranges.length > 0 ? ' and the account numbers' : ''} that it has go to`}
            value={into}
            onChange={(event) => setInto(Number(event.target.value))}
          >
            <option value={0}>nowhere: they are unplaced</option>
            {targets.map((target) => (
              <option key={target.id} value={target.id}>
                {target.path}
              </option>
            ))}
          </SelectTextField>
          {node.children.length > 0 &&
            (into === 0 ? (
              <p className={styles.quiet}>{counted(node.children.length, 'subcategory', 'subcategories')} below it will stand where it stands.</p>
            ) : (
              <label>
                <input type="checkbox" checked={withBelow} onChange={(event) => setWithBelow(event.target.checked)} />{' '}
                {counted(node.children.length, 'subcategory', 'subcategories')} below it as well; else where it stands
              </label>
            ))}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained">
            {into === 0 ? 'Delete' : 'Merge'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
