import { zodResolver } from '@hookform/resolvers/zod';
import { codeGiven, secondFactorBeginning } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { QRCodeSVG } from 'qrcode.react';
import { useForm } from 'react-hook-form';
import { useBeginSecondFactorMutation, useConfirmSecondFactorMutation } from '../../shared/api/peopleApi.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import styles from './SecondFactor.module.css';

interface SetUpProps {
  readonly isRequired: boolean;
  readonly onCodes: (codes: readonly string[]) => void;
}

/** First the password, then the device, then a code of it. */
export function SetUpSecondFactor({ isRequired, onCodes }: SetUpProps) {
  const [begin, { data: begun, isLoading, error }] = useBeginSecondFactorMutation();
  const { register, handleSubmit } = useForm({ resolver: zodResolver(secondFactorBeginning), defaultValues: { password: '' } });
  if (begun) return <Confirming begun={begun} onCodes={onCodes} />;
  return (
    <form className={styles.form} onSubmit={handleSubmit(async (body) => void (await begin({ body })))}>
      <p className={styles.quiet}>
        {isRequired
          ? 'This installation asks everybody for a second factor. Set yours up with an authenticator on your phone; from then on you sign in with your password and a code that it shows.'
          : 'With a second factor, somebody who learns your password still cannot sign in as you: a code that an authenticator on your phone shows is asked for as well.'}
      </p>
      <TextField label="Your password" type="password" autoComplete="current-password" required autoFocus {...register('password')} />
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      <Button type="submit" variant="contained" disabled={isLoading}>
        Set it up
      </Button>
    </form>
  );
}

interface ConfirmingProps {
  readonly begun: { readonly secret: string; readonly address: string };
  readonly onCodes: SetUpProps['onCodes'];
}

function Confirming({ begun: { secret, address }, onCodes }: ConfirmingProps) {
  const [confirm, { isLoading, error }] = useConfirmSecondFactorMutation();
  const { register, handleSubmit, reset } = useForm({ resolver: zodResolver(codeGiven), defaultValues: { code: '' } });
  return (
    <form
      className={styles.form}
      onSubmit={handleSubmit(async (body) => {
        const confirmed = await confirm({ body });
        if (confirmed.data) onCodes(confirmed.data.codes);
        else reset();
      })}
    >
      <p>Take this picture with the authenticator on your phone:</p>
      <QRCodeSVG className={styles.picture} value={address} size={176} marginSize={2} title="For the authenticator on your phone" />
      <p className={styles.quiet}>
        Or type it in: <code className={styles.secret}>{secret.replaceAll(/(.{4})(?=.)/g, '$1 ')}</code>
      </p>
      <TextField
        label="Code that it shows"
        autoComplete="one-time-code"
        required
        autoFocus
        slotProps={{ htmlInput: { inputMode: 'numeric' } }}
        {...register('code')}
      />
      {error !== undefined && (
        <p role="alert" className={styles.refused}>
          {describeFailure(error)}
        </p>
      )}
      <Button type="submit" variant="contained" disabled={isLoading}>
        Confirm
      </Button>
    </form>
  );
}
