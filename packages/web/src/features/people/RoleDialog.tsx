import { type Permission, permissions, permissionsAmong } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useAddOwnRoleMutation, useChangeOwnRoleMutation } from '../../shared/api/peopleApi.ts';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { permissionWords } from '../../shared/words/permissionWords.ts';
import styles from './PeopleScreen.module.css';
import type { RoleToGive } from './roleWords.ts';

/** A role of the company's own, new (`null`) or changed for all who have it. What brings another along shows that as chosen. */
export function RoleDialog({ role, onClose }: { readonly role: RoleToGive['own']; readonly onClose: () => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [name, setName] = useState(role?.name ?? '');
  const [chosen, setChosen] = useState<readonly Permission[]>(role?.permissions ?? ['see']);
  const [add, adding] = useAddOwnRoleMutation();
  const [change, changing] = useChangeOwnRoleMutation();
  const error = adding.error ?? changing.error;
  const held = permissionsAmong(chosen);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const body = { name: name.trim(), permissions: held };
    const kept =
      role === null
        ? await add({ companyId: company.id, body })
        : await change({ companyId: company.id, roleId: role.id, body: { ...body, version: role.version } });
    if (kept.error !== undefined) return;
    dispatch(noticeGiven({ tone: 'done', text: role === null ? `Made: the role ${body.name}.` : `Changed: the role ${body.name}.` }));
    onClose();
  };
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="role-title">
      <form onSubmit={(event) => void submit(event)}>
        <DialogTitle id="role-title">{role === null ? 'A new role' : `The role ${role.name}`}</DialogTitle>
        <DialogContent className={styles.form}>
          <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} required autoFocus margin="dense" />
          <fieldset className={styles.choices}>
            <legend>Whoever has it may</legend>
            {permissions.map((permission) => {
              const isBrought = held.includes(permission) && !permissionsAmong(chosen.filter((one) => one !== permission)).every((one) => one !== permission);
              return (
                <label key={permission}>
                  <input
                    type="checkbox"
                    checked={held.includes(permission)}
                    disabled={isBrought}
                    onChange={({ target: { checked } }) => setChosen(checked ? [...chosen, permission] : chosen.filter((one) => one !== permission))}
                  />{' '}
                  {permissionWords[permission]}
                </label>
              );
            })}
          </fieldset>
          {role !== null && role.holders > 0 && (
            <p className={styles.quiet}>
              {counted(role.holders, 'person has', 'people have')} it, or {role.holders === 1 ? 'is' : 'are'} invited to it: the change holds from their next
              request on.
            </p>
          )}
          {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        </DialogContent>
        <DialogActions>
          <Button onClick={onClose}>Cancel</Button>
          <Button type="submit" variant="contained" disabled={name.trim() === '' || adding.isLoading || changing.isLoading}>
            {role === null ? 'Make the role' : 'Change it'}
          </Button>
        </DialogActions>
      </form>
    </Dialog>
  );
}
