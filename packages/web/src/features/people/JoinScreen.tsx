import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { describeFailure } from '../../api/failureMessages.ts';
import { useLookAtLinkQuery, useUseLinkMutation } from '../../api/peopleApi.ts';
import styles from './EntrySheet.module.css';
import { EntrySheet } from './EntrySheet.tsx';
import { NewPassword } from './NewPassword.tsx';

/** Behind a one-time link: one chooses a password, and is signed in. The link's secret stands behind #, which no server log ever sees. */
export function JoinScreen() {
  const token = useLocation().hash.slice(1);
  const { data, error } = useLookAtLinkQuery(token, { skip: token === '' });
  const [spend, { isLoading, error: refused }] = useUseLinkMutation();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState<string | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (!data || password === null) return;
    const used = await spend({ token, password, ...(data.isFirst ? { name, email } : {}) });
    // The page is loaded anew: the link is spent, and nothing is to ask for it again.
    if (used.data) window.location.replace('/companies');
  };
  if (token === '' || error !== undefined)
    return (
      <EntrySheet title="This link does not open">
        <p role="alert">{token === '' ? 'The address has lost its end. Open the link whole, as it was given to you.' : describeFailure(error)}</p>
        <p>
          <Link to="/sign-in">Go to the sign-in</Link>
        </p>
      </EntrySheet>
    );
  if (!data) return <output className="unseen">Loading</output>;
  return (
    <EntrySheet title={data.isFirst ? 'Become the first administrator' : `Welcome, ${data.name}`}>
      <p className={styles.quiet}>
        {data.isFirst
          ? 'You will be able to add companies and the people who work in them.'
          : `Choose a password. You will sign in with ${data.email} from now on.`}
      </p>
      <form className={styles.form} onSubmit={(event) => void submit(event)}>
        {data.isFirst && (
          <>
            <TextField label="Name" autoComplete="name" value={name} onChange={(event) => setName(event.target.value)} required autoFocus />
            <TextField label="E-mail" type="email" autoComplete="username" value={email} onChange={(event) => setEmail(event.target.value)} required />
          </>
        )}
        <NewPassword
          names={[...(data.isFirst ? name : data.name).split(/\s+/), (data.isFirst ? email : data.email).split('@')[0] ?? '']}
          onChange={setPassword}
        />
        {refused !== undefined && (
          <p role="alert" className={styles.refused}>
            {describeFailure(refused)}
          </p>
        )}
        <Button type="submit" variant="contained" disabled={isLoading || password === null}>
          Set the password and enter
        </Button>
      </form>
    </EntrySheet>
  );
}
