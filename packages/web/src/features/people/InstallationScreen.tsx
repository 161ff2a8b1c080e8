import type { InstallationView } from '@ivory-ladder/contract';
import Button from '@mui/material/Button';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { useGetInstallationQuery, useGetSessionQuery, useHelpPersonMutation } from '../../shared/api/peopleApi.ts';
import { ToSignIn } from '../../shared/state/ToSignIn.tsx';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './InstallationScreen.module.css';
import { LinkToGive } from './LinkToGive.tsx';
import { SecondFactors } from './SecondFactors.tsx';

const letterStates: Readonly<Record<InstallationView['letters'][number]['state'], string>> = {
  kept: 'in the outbox',
  waits: 'waits for the mail server',
  handed: 'broke off; perhaps sent',
  sent: 'sent',
  failed: 'failed',
};
const jobStates: Readonly<Record<InstallationView['jobs'][number]['state'], string>> = { waits: 'waits', runs: 'runs', done: 'done', failed: 'failed' };
const jobKinds: Readonly<Record<string, string>> = { mail: 'A letter', recovery: 'A new password, asked for', tidy: 'Clearing up' };
const eventWords: Readonly<Record<string, string>> = {
  signed_in: 'signed in',
  sign_in_failed: 'failed to sign in',
  session_ended: 'signed out elsewhere',
  password_changed: 'changed the password',
  recovery_asked: 'asked for a new password',
  link_made: 'made a link',
  link_used: 'used a link',
  link_refused: 'came with a link that does not open',
  invited: 'invited',
  invitation_renewed: 'invited again',
  invitation_withdrawn: 'withdrew an invitation',
  invitation_accepted: 'accepted an invitation',
  exported: 'took out a file',
  second_factor_set_up: 'set up a second factor',
  second_factor_removed: 'took a second factor away',
  second_factor_failed: 'gave a wrong code',
  recovery_code_used: 'used a recovery code',
  recovery_codes_made: 'made new recovery codes',
  second_factor_required: 'asked everybody for a second factor',
  second_factor_left_open: 'left second factors to everybody',
};

/** What goes out, what runs by itself, who came in, and help for somebody who cannot: for whoever keeps the installation. */
export function InstallationScreen() {
  const { data: session } = useGetSessionQuery();
  const { data, error } = useGetInstallationQuery(undefined, { pollingInterval: 5000, refetchOnMountOrArgChange: true });
  const [open, setOpen] = useState<number | null>(null);
  if (session && !session.person) return <ToSignIn />;
  return (
    <main className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="installation-title">
        <h1 id="installation-title">The installation</h1>
        {error !== undefined && (
          <p role="alert" className={styles.failed}>
            {describeFailure(error)}
          </p>
        )}
        {data && (
          <>
            <Help />
            <SecondFactors state={data.secondFactor} />
            <h2>Letters</h2>
            {data.letters.length === 0 && <p className={styles.quiet}>None yet. Invitations and new passwords go out as letters.</p>}
            {data.letters.length > 0 && (
              <table className={styles.table} aria-label="Letters">
                <thead>
                  <tr>
                    <th scope="col">To</th>
                    <th scope="col">Subject</th>
                    <th scope="col">When</th>
                    <th scope="col">State</th>
                  </tr>
                </thead>
                <tbody>
                  {data.letters.map(({ id, recipient, subject, content, state, madeAt, failure }) => (
                    <tr key={id}>
                      <td>{recipient}</td>
                      <th scope="row">
                        <button type="button" className={styles.opens} aria-expanded={open === id} onClick={() => setOpen(open === id ? null : id)}>
                          {subject}
                        </button>
                        {open === id && <pre className={styles.letter}>{content}</pre>}
                      </th>
                      <td className={styles.whole}>{momentText(madeAt)}</td>
                      <td className={styles.whole}>
                        {letterStates[state]}
                        {failure !== '' && <span className={styles.failed}> {failure}</span>}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            )}
            <h2>Jobs</h2>
            <table className={styles.table} aria-label="Jobs">
              <thead>
                <tr>
                  <th scope="col">What</th>
                  <th scope="col">Due</th>
                  <th scope="col">Tries</th>
                  <th scope="col">State</th>
                </tr>
              </thead>
              <tbody>
                {data.jobs.slice(0, 20).map(({ id, kind, due, attempt, state, failure }) => (
                  <tr key={id}>
                    <th scope="row">{jobKinds[kind] ?? kind}</th>
                    <td>{momentText(due)}</td>
                    <td>{attempt}</td>
                    <td>
                      {jobStates[state]}
                      {failure !== '' && <span className={styles.failed}> {failure}</span>}
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
            <Memory memory={data.memory} />
            <h2>Who came in, and what went out</h2>
            <table className={styles.table} aria-label="Access">
              <thead>
                <tr>
                  <th scope="col">When</th>
                  <th scope="col">Who</th>
                  <th scope="col">What</th>
                  <th scope="col">From</th>
                </tr>
              </thead>
              <tbody>
                {data.events.map((event) => (
                  <tr key={event.id}>
                    <td>{momentText(event.happenedAt)}</td>
                    <td>{event.actor ?? (event.person === null ? 'somebody' : `somebody, as ${event.person}`)}</td>
                    <td>{eventText(event)}</td>
                    <td>{event.origin}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </>
        )}
        <p>
          <Link to="/companies">Back to the companies</Link>
        </p>
      </section>
    </main>
  );
}

function eventText({ kind, actorId, personId, person, companyId, facts }: InstallationView['events'][number]): string {
  const whom = typeof facts.email === 'string' ? ` ${facts.email}` : personId !== null && personId !== actorId && actorId !== null ? ` for ${person}` : '';
  const what = typeof facts.operation === 'string' ? `: ${facts.operation}` : '';
  return `${eventWords[kind] ?? kind}${whom}${what}${companyId === null ? '' : `, company ${companyId}`}`;
}

const keptWords: Readonly<Record<InstallationView['memory']['shares'][number]['kind'], string>> = {
  books: 'Charts and balances of companies',
  facets: 'Balances by facet values',
  filtered: 'Balances of some facet values alone',
  days: 'Days inside a period',
  translated: 'Balances in another currency',
};

const megabytes = (bytes: number): string => (bytes / 2 ** 20).toLocaleString('en', { minimumFractionDigits: 1, maximumFractionDigits: 1 });

/** What is kept of companies, so that it is not read with each question. */
function Memory({ memory: { budget, shares } }: Pick<InstallationView, 'memory'>) {
  const all = shares.reduce((sum, { bytes }) => sum + bytes, 0);
  return (
    <>
      <h2>Kept in memory</h2>
      <p className={styles.quiet}>
        Figures that were asked for are kept, so that the next answer comes at once. Of {megabytes(budget)} MB that they may take, {megabytes(all)} MB are
        taken; what was used least recently gives way.
      </p>
      {shares.length > 0 && (
        <table className={styles.table} aria-label="Kept in memory">
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col" className={styles.figure}>
                How many
              </th>
              <th scope="col" className={styles.figure} title="Since the server began">
                Times made
              </th>
              <th scope="col" className={styles.figure}>
                MB
              </th>
            </tr>
          </thead>
          <tbody>
            {shares.map(({ kind, count, bytes, made }) => (
              <tr key={kind}>
                <th scope="row">{keptWords[kind]}</th>
                <td className={styles.figure}>{count.toLocaleString('en')}</td>
                <td className={styles.figure}>{made.toLocaleString('en')}</td>
                <td className={styles.figure}>{megabytes(bytes)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}

/** A link for somebody whom no letter reaches. */
function Help() {
  const [help, { data, isLoading, error, originalArgs }] = useHelpPersonMutation();
  const [email, setEmail] = useState('');
  const [isShown, setShown] = useState(false);
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    setShown((await help({ body: { email } })).data !== undefined);
  };
  return (
    <>
      <h2>Somebody cannot get in</h2>
      <p className={styles.quiet}>
        People ask for a new password at the sign-in, and get it by letter. For one whom no letter reaches, make a link and hand it over.
      </p>
      <form className={styles.help} onSubmit={(event) => void submit(event)}>
        <TextField label="E-mail of somebody who cannot get in" type="email" value={email} onChange={(event) => setEmail(event.target.value)} required />
        <Button type="submit" disabled={isLoading}>
          Make a link
        </Button>
      </form>
      {error !== undefined && (
        <p role="alert" className={styles.failed}>
          {describeFailure(error)}
        </p>
      )}
      {data && isShown && <LinkToGive link={{ name: originalArgs?.body.email ?? '', token: data.token, lasts: 'a day' }} onClose={() => setShown(false)} />}
    </>
  );
}
