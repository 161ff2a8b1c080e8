import type { Role } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { useLocation, useNavigate, useSearchParams } from 'react-router';
import { type ApiFailure, ivoryApi } from '../../shared/api/ivoryApi.ts';
import { useAskRecoveryMutation, useEnterDemoMutation, useGetSessionQuery, useSignInMutation } from '../../shared/api/peopleApi.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './EntrySheet.module.css';
import { EntrySheet } from './EntrySheet.tsx';
import { placeWithin } from './placeWithin.ts';
import { builtInWords } from './roleWords.ts';

/** With e-mail and password; in the demo, in a role of one's choice. */
export function SignInScreen() {
  const dispatch = useDispatch();
  const navigate = useNavigate();
  const [params] = useSearchParams();
  const { hash } = useLocation();
  const { data, error: unreachable } = useGetSessionQuery();
  const [signIn, { isLoading, error }] = useSignInMutation();
  const [recover, asked] = useAskRecoveryMutation();
  const [enterDemo, { error: demoError }] = useEnterDemoMutation();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const failed = (error as ApiFailure | undefined)?.code;
  // Asked for once the password is right, of this person alone; a wrong one leaves it there.
  const [whoNeedsCode, setWhoNeedsCode] = useState<string | null>(null);
  const asksForCode = whoNeedsCode === email;
  const goOn = () => {
    dispatch(ivoryApi.util.resetApiState());
    void navigate(`${placeWithin(params.get('to'))}${hash}`, { replace: true });
  };
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const signedIn = await signIn({ body: { email, password, ...(asksForCode ? { code } : {}) } });
    if (signedIn.data) return goOn();
    if ((signedIn.error as ApiFailure).code === 'second_factor_needed') setWhoNeedsCode(email);
    setCode('');
  };
  const enter = async (role: Role) => {
    const entered = await enterDemo({ body: { role } });
    if (entered.data) goOn();
  };
  const demoRoles = data?.demoRoles ?? [];
  return (
    <EntrySheet title={demoRoles.length > 0 ? 'Enter the demo' : 'Sign in'}>
      {unreachable !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(unreachable)}
        </p>
      )}
      {demoRoles.length > 0 && (
        <>
          <p className={styles.quiet}>All its data is made up. Enter in any role, without a password:</p>
          <ul className={styles.roles}>
            {demoRoles
              .toSorted((a, b) => demoOrder.indexOf(a) - demoOrder.indexOf(b))
              .map((role) => (
                <li key={role}>
                  <button type="button" className={styles.role} onClick={() => void enter(role)}>
                    Enter as {role}
                    <small>{builtInWords[role]}</small>
                  </button>
                </li>
              ))}
          </ul>
          {demoError !== undefined && <p role="alert">{describeFailure(demoError)}</p>}
        </>
      )}
      {data && demoRoles.length === 0 && (
        <form className={styles.form} onSubmit={(event) => void submit(event)}>
          <TextField label="E-mail" type="email" autoComplete="username" value={email} onChange={(event) => setEmail(event.target.value)} required autoFocus />
          <TextField
            label="Password"
            type="password"
            autoComplete="current-password"
            value={password}
            onChange={(event) => setPassword(event.target.value)}
            required
          />
          {asksForCode && (
            <TextField
              label="Code"
              autoComplete="one-time-code"
              value={code}
              onChange={(event) => setCode(event.target.value)}
              helperText="Six digits that your device shows, or one of your recovery codes."
              required
              autoFocus
            />
          )}
          {error !== undefined && failed !== 'second_factor_needed' && (
            <p role="alert" className={styles.refused}>
              {describeFailure(error)}
            </p>
          )}
          <Button type="submit" variant="contained" disabled={isLoading}>
            Sign in
          </Button>
          <p className={styles.quiet}>No account yet? An administrator of your company can invite you; you get a link that works once.</p>
          <p className={styles.quiet}>
            <button
              type="button"
              className={styles.asLink}
              disabled={email === ''}
              title={email === '' ? 'Write your e-mail address first' : undefined}
              onClick={() => void recover({ body: { email } })}
            >
              Password lost?
            </button>{' '}
            {asked.isSuccess && <span role="status">If {asked.originalArgs?.body.email} has an account here, a link is on its way there.</span>}
            {asked.error !== undefined && <span role="alert">{describeFailure(asked.error)}</span>}
          </p>
        </form>
      )}
    </EntrySheet>
  );
}

const demoOrder: readonly Role[] = ['preparer', 'reviewer', 'reader', 'administrator'];
