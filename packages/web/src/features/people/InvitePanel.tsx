import type { RoleKey } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useInvitePersonMutation } from '../../shared/api/peopleApi.ts';
import { SelectTextField } from '../../shared/components/SelectTextField.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './PeopleScreen.module.css';
import type { RoleToGive } from './roleWords.ts';

export function InvitePanel({ given, onAdded }: { readonly given: readonly RoleToGive[]; readonly onAdded: (name: string, token: string) => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [add, { isLoading, error }] = useInvitePersonMutation();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<RoleKey>('preparer');
  // Deleted meanwhile, it is given to nobody.
  const chosen = given.find(({ key }) => key === role) ?? given[0];
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!chosen) return;
    const added = await add({ companyId: company.id, body: { name, email, role: chosen.key } });
    if (!added.data) return;
    onAdded(name, added.data.token);
    dispatch(noticeGiven({ tone: 'done', text: `Invited: ${name} as ${chosen.name}. They belong to the company once they accept.` }));
    setName('');
    setEmail('');
  };
  return (
    <aside className={styles.panel} aria-labelledby="invite-person">
      <h2 id="invite-person">Invite a person</h2>
      <form className={styles.form} onSubmit={(event) => void submit(event)}>
        <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} required />
        <TextField label="E-mail" type="email" value={email} onChange={(event) => setEmail(event.target.value)} required />
        <SelectTextField label="Role" value={chosen?.key ?? ''} onChange={(event) => setRole(event.target.value as RoleKey)} helperText={chosen?.words}>
          {given.map(({ key, name: value }) => (
            <option key={key} value={key}>
              {value}
            </option>
          ))}
        </SelectTextField>
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        <Button type="submit" variant="contained" disabled={isLoading || name.trim() === '' || email.trim() === ''}>
          Invite
        </Button>
      </form>
      <dl className={styles.words}>
        <div>
          <dt>Adds companies</dt>
          <dd>a right of the whole installation, whatever the role; passed on by those who have it</dd>
        </div>
      </dl>
    </aside>
  );
}
