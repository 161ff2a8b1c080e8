import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { useChangePasswordMutation, useGetSessionQuery } from '../../shared/api/peopleApi.ts';
import { ToSignIn } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './EntrySheet.module.css';
import { EntrySheet } from './EntrySheet.tsx';
import { NewPassword } from './NewPassword.tsx';

/** One's own password; changing it signs out everywhere else. */
export function PasswordScreen() {
  const { data } = useGetSessionQuery();
  const [change, { isLoading, error, isSuccess }] = useChangePasswordMutation();
  const [current, setCurrent] = useState('');
  const [next, setNext] = useState<string | null>(null);
  if (data && !data.person) return <ToSignIn />;
  if (!data?.person) return null;
  const { name, email } = data.person;
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (next !== null) await change({ body: { current, next } });
  };
  return (
    <EntrySheet title="Change password">
      {isSuccess ? (
        <p role="status">Changed. You stay signed in here; every other place has been signed out.</p>
      ) : (
        <form className={styles.form} onSubmit={(event) => void submit(event)}>
          <TextField
            label="Present password"
            type="password"
            autoComplete="current-password"
            value={current}
            onChange={(event) => setCurrent(event.target.value)}
            required
            autoFocus
          />
          <NewPassword names={[...name.split(/\s+/), email.split('@')[0] ?? '']} onChange={setNext} />
          {error !== undefined && (
            <p role="alert" className={styles.refused}>
              {describeFailure(error)}
            </p>
          )}
          <Button type="submit" variant="contained" disabled={isLoading || next === null || current === ''}>
            Change the password
          </Button>
        </form>
      )}
      <p>
        <Link to="/companies">Back to the companies</Link>
      </p>
    </EntrySheet>
  );
}
