import { zodResolver } from '@hookform/resolvers/zod';
import { helpAsked, type InstallationView } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useRequireSecondFactorMutation, useTakeSecondFactorMutation } from '../../shared/api/peopleApi.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './InstallationScreen.module.css';

/** Whether everybody needs a second factor, and help for one who lost phone and codes. */
export function SecondFactors({ state: { isRequired, without } }: { state: InstallationView['secondFactor'] }) {
  const [demand, demanded] = useRequireSecondFactorMutation();
  const [take, { isLoading, error }] = useTakeSecondFactorMutation();
  const [taken, setTaken] = useState('');
  const { register, handleSubmit, reset, formState } = useForm({ resolver: zodResolver(helpAsked), defaultValues: { email: '' } });
  const failure = demanded.error ?? error;
  return (
    <>
      <h2>Second factor</h2>
      <label className={styles.demand}>
        <input
          type="checkbox"
          checked={isRequired}
          disabled={demanded.isLoading}
          onChange={({ target }) => void demand({ body: { isRequired: target.checked } })}
        />{' '}
        Everybody who signs in with a password needs one
      </label>
      <p className={styles.quiet}>
        {without === 0
          ? 'Everybody has one.'
          : `${counted(without, 'person has', 'people have')} none${isRequired ? ': until they set one up, nothing else is open to them' : ''}.`}
      </p>
      <p className={styles.quiet}>
        Who lost phone and recovery codes stands outside. With theirs taken away, they come in with the password and set up another.
      </p>
      <form
        className={styles.help}
        onSubmit={handleSubmit(async (body) => {
          const { error: refused } = await take({ body });
          setTaken(refused === undefined ? body.email : '');
          if (refused === undefined) reset();
        })}
      >
        <TextField
          label="E-mail of who lost phone and codes"
          type="email"
          error={formState.errors.email !== undefined}
          helperText={formState.errors.email ? 'This is no e-mail address.' : undefined}
          required
          {...register('email')}
        />
        <Button type="submit" disabled={isLoading}>
          Take their second factor away
        </Button>
      </form>
      {failure !== undefined && (
        <p role="alert" className={styles.failed}>
          {describeFailure(failure)}
        </p>
      )}
      {taken !== '' && failure === undefined && <p role="status">Taken away from {taken}, who is told by letter.</p>}
    </>
  );
}
