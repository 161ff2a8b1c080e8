import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useAddNoteMutation, useListNotesQuery } from '../../shared/api/chartApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './AccountNotes.module.css';

/** What people wrote about an account, each with its day and writer; a note is never changed, only followed by another. */
export function AccountNotes({ accountId }: { accountId: number }) {
  const company = useCompany();
  const { data } = useListNotesQuery({ companyId: company.id, accountId });
  const [add, { isLoading, error }] = useAddNoteMutation();
  const [text, setText] = useState('');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const added = await add({ companyId: company.id, accountId, body: { content: text.trim() } });
    if (added.error === undefined) setText('');
  };
  return (
    <section aria-label="Notes">
      <h3>Notes</h3>
      <ol className={styles.notes}>
        {data?.notes.map(({ id, content, writtenAt, writtenBy }) => (
          <li key={id}>
            <p>{content}</p>
            <span>
              {writtenBy}, {momentText(writtenAt)}
            </span>
          </li>
        ))}
      </ol>
      <form className={styles.form} onSubmit={(event) => void submit(event)}>
        <TextField
          label="New note"
          value={text}
          onChange={(event) => setText(event.target.value)}
          multiline
          maxRows={6}
          slotProps={{ htmlInput: { maxLength: 4000 } }}
        />
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        {text.trim() !== '' && (
          <div>
            <Button type="submit" disabled={isLoading}>
              Write the note
            </Button>
          </div>
        )}
      </form>
    </section>
  );
}
