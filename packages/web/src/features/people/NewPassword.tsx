import { checkPassword } from '@ivory-ladder/core';
import TextField from '@mui/material/TextField';
import { useState } from 'react';
import { describeFailure } from '../../shared/words/failureMessages.ts';

/** A new password, checked while one types and typed twice; `null` while it cannot be taken. */
export function NewPassword({ names, onChange }: { names: readonly string[]; onChange: (password: string | null) => void }) {
  const [password, setPassword] = useState('');
  const [again, setAgain] = useState('');
  const refused = password === '' ? null : checkPassword(password, names);
  const differs = again !== '' && again !== password;
  const set = (first: string, second: string) => {
    setPassword(first);
    setAgain(second);
    onChange(first === second && checkPassword(first, names) === null ? first : null);
  };
  return (
    <>
      <TextField
        label="New password"
        type="password"
        autoComplete="new-password"
        value={password}
        onChange={(event) => set(event.target.value, again)}
        error={refused !== null && password.length > 3}
        helperText={
          refused && password.length > 3
            ? describeFailure({ code: refused.code, facts: { reason: refused.reason } })
            : '12 characters or more; a sentence does well'
        }
        required
      />
      <TextField
        label="The same again"
        type="password"
        autoComplete="new-password"
        value={again}
        onChange={(event) => set(password, event.target.value)}
        error={differs}
        helperText={differs ? 'The two are not the same.' : ' '}
        required
      />
    </>
  );
}
