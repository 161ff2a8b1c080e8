import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { Link, useLocation } from 'react-router';
import { useAcceptInvitationMutation, useGetSessionQuery, useLookAtLinkQuery, useSignOutMutation, useUseLinkMutation } from '../../shared/api/peopleApi.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './EntrySheet.module.css';
import { EntrySheet } from './EntrySheet.tsx';
import { NewPassword } from './NewPassword.tsx';

/**
 * Behind a one-time link: one chooses a password and is signed in, or accepts what one is invited to. The link's secret stands behind #, which
 * no server log ever sees.
 */
export function JoinScreen() {
  const token = useLocation().hash.slice(1);
  const { data, error } = useLookAtLinkQuery({ body: { token } }, { skip: token === '' });
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
  const { invitation, opens, name, email } = data;
  if (invitation?.hasAccount) return <Accepting token={token} email={email} company={invitation.company} role={invitation.roleName || invitation.role} />;
  const titles = { first: 'Become the first administrator', password: `Welcome, ${name}`, company: `You are invited to ${invitation?.company ?? ''}` };
  const words = {
    first: 'You will be able to add companies and the people who work in them.',
    password: `Choose a password. You will sign in with ${email} from now on.`,
    company: `As ${invitation?.roleName || (invitation?.role ?? '')}. Choose a password, with which you accept; you will sign in with ${email} from now on.`,
  };
  return (
    <EntrySheet title={titles[opens]}>
      <p className={styles.quiet}>{words[opens]}</p>
      <Choosing token={token} opens={opens} given={{ name, email }} />
    </EntrySheet>
  );
}

function Choosing({ token, opens, given }: { token: string; opens: 'first' | 'password' | 'company'; given: { name: string; email: string } }) {
  const [spend, { isLoading, error: refused }] = useUseLinkMutation();
  const [name, setName] = useState(given.name);
  const [email, setEmail] = useState(given.email);
  const [password, setPassword] = useState<string | null>(null);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    if (password === null) return;
    const used = await spend({ body: { token, password, ...(opens === 'password' ? {} : { name }), ...(opens === 'first' ? { email } : {}) } });
    // The page is loaded anew: the link is spent, and nothing is to ask for it again.
    // Whoever has a second factor signs in with it.
    if (used.data) window.location.replace(used.data.person ? '/companies' : '/sign-in');
  };
  return (
    <form className={styles.form} onSubmit={(event) => void submit(event)}>
      {opens !== 'password' && (
        <TextField label="Name" autoComplete="name" value={name} onChange={(event) => setName(event.target.value)} required autoFocus={opens === 'first'} />
      )}
      {opens === 'first' && (
        <TextField label="E-mail" type="email" autoComplete="username" value={email} onChange={(event) => setEmail(event.target.value)} required />
      )}
      <NewPassword names={[...name.split(/\s+/), email.split('@')[0] ?? '']} onChange={setPassword} />
      {refused !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(refused)}
        </p>
      )}
      <Button type="submit" variant="contained" disabled={isLoading || password === null}>
        Set the password and enter
      </Button>
    </form>
  );
}

/** Of somebody with an account: whoever is signed in with the address accepts. */
function Accepting({ token, email, company, role }: { token: string; email: string; company: string; role: string }) {
  const { data: session } = useGetSessionQuery();
  const [accept, { isLoading, error }] = useAcceptInvitationMutation();
  const [signOut] = useSignOutMutation();
  // Behind # here as well.
  const signInAddress = `/sign-in?to=%2Fjoin#${token}`;
  const person = session?.person;
  return (
    <EntrySheet title={`You are invited to ${company}`}>
      <p className={styles.quiet}>
        As {role}, with your account {email}.
      </p>
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      {person?.email === email ? (
        <Button
          variant="contained"
          disabled={isLoading}
          onClick={async () => {
            const accepted = await accept({ body: { token } });
            if (accepted.error === undefined) window.location.replace('/companies');
          }}
        >
          Accept
        </Button>
      ) : person ? (
        <>
          <p>You are signed in as {person.email}.</p>
          <Button
            onClick={async () => {
              await signOut();
              window.location.assign(signInAddress);
            }}
          >
            Sign in as {email}
          </Button>
        </>
      ) : (
        <p>
          <Link to={signInAddress}>Sign in to accept</Link>
        </p>
      )}
    </EntrySheet>
  );
}
