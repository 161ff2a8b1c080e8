import { zodResolver } from '@hookform/resolvers/zod';
import { codeGiven, type SecondFactor, secondFactorRemoval } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { useRemoveSecondFactorMutation, useRenewRecoveryCodesMutation } from '../../shared/api/peopleApi.ts';
import { counted } from '../../shared/words/counted.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './SecondFactor.module.css';

interface KeepProps {
  readonly state: SecondFactor;
  readonly onCodes: (codes: readonly string[]) => void;
}

const fewCodes = 3;

/** A second factor that is on: how many codes are left, new ones, and its end. */
export function KeepSecondFactor({ state: { isRequired, codesLeft }, onCodes }: KeepProps) {
  const [asked, setAsked] = useState<'codes' | 'removal' | null>(null);
  const left = codesLeft === 0 ? 'No recovery code is left' : `${counted(codesLeft, 'recovery code is', 'recovery codes are')} left`;
  return (
    <>
      <p>
        <strong className={styles.on}>✓ On.</strong> You sign in with your password and a code of your authenticator. {left}
        {codesLeft <= fewCodes ? '; make new ones before you need them.' : ', for the day you have no phone at hand.'}
      </p>
      {asked === 'codes' && <Renewing onCodes={onCodes} onClose={() => setAsked(null)} />}
      {asked === 'removal' && <Removing onClose={() => setAsked(null)} />}
      {asked === null && (
        <div className={styles.buttons}>
          <Button variant={codesLeft <= fewCodes ? 'contained' : 'outlined'} onClick={() => setAsked('codes')}>
            New recovery codes…
          </Button>
          {!isRequired && (
            <Button color="error" onClick={() => setAsked('removal')}>
              Take it away…
            </Button>
          )}
        </div>
      )}
      {isRequired && asked === null && (
        <p className={styles.quiet}>
          This installation asks everybody for a second factor, so yours stays. A new phone? Ask who looks after the installation to take this one away.
        </p>
      )}
    </>
  );
}

function Renewing({ onCodes, onClose }: { onCodes: KeepProps['onCodes']; onClose: () => void }) {
  const [renew, { isLoading, error }] = useRenewRecoveryCodesMutation();
  const { register, handleSubmit, reset } = useForm({ resolver: zodResolver(codeGiven), defaultValues: { code: '' } });
  return (
    <form
      className={styles.form}
      onSubmit={handleSubmit(async (body) => {
        const renewed = await renew({ body });
        if (renewed.data) onCodes(renewed.data.codes);
        else reset();
      })}
    >
      <p className={styles.quiet}>The codes you have now stop working.</p>
      <TextField label="Code of your authenticator" autoComplete="one-time-code" required autoFocus {...register('code')} />
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" disabled={isLoading}>
          Make new codes
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </form>
  );
}

function Removing({ onClose }: { onClose: () => void }) {
  const [remove, { isLoading, error }] = useRemoveSecondFactorMutation();
  const { register, handleSubmit, reset } = useForm({ resolver: zodResolver(secondFactorRemoval), defaultValues: { password: '', code: '' } });
  return (
    <form
      className={styles.form}
      onSubmit={handleSubmit(async (body) => {
        if ((await remove({ body })).error !== undefined) reset({ ...body, code: '' });
      })}
    >
      <p className={styles.quiet}>From then on the password alone lets you in. You are told by letter.</p>
      <TextField label="Your password" type="password" autoComplete="current-password" required autoFocus {...register('password')} />
      <TextField label="Code of your authenticator" autoComplete="one-time-code" required {...register('code')} />
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      <div className={styles.buttons}>
        <Button type="submit" variant="contained" color="error" disabled={isLoading}>
          Take it away
        </Button>
        <Button onClick={onClose}>Leave it</Button>
      </div>
    </form>
  );
}
