import { type Role, roles } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { describeFailure } from '../../api/failureMessages.ts';
import {
  useAddPersonMutation,
  useChangeRoleMutation,
  useGetSessionQuery,
  useGrantCompaniesMutation,
  useListPeopleQuery,
  useRemovePersonMutation,
  useRenewLinkMutation,
} from '../../api/peopleApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useCompany } from '../../app/useCompany.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { momentText } from '../../components/momentText.ts';
import styles from './PeopleScreen.module.css';
import { roleWords } from './roleWords.ts';

interface LinkGiven {
  readonly name: string;
  readonly url: string;
}

/** Who works in the company and in which role; a new person comes by a link that works once. */
export function PeopleScreen() {
  const company = useCompany();
  const dispatch = useDispatch();
  const { data, error } = useListPeopleQuery(company.id);
  const { data: session } = useGetSessionQuery();
  const [changeRole] = useChangeRoleMutation();
  const [grant] = useGrantCompaniesMutation();
  const [remove] = useRemovePersonMutation();
  const [renew] = useRenewLinkMutation();
  const [link, setLink] = useState<LinkGiven | null>(null);
  const say = (result: { error?: unknown }, text: string) =>
    void dispatch(noticeGiven(result.error === undefined ? { tone: 'done', text } : { tone: 'refused', text: describeFailure(result.error) }));
  const give = (name: string, token: string | null | undefined) => setLink(token ? { name, url: `${window.location.origin}/join#${token}` } : null);
  if (error !== undefined && !data)
    return (
      <section className={styles.sheet}>
        <EmptyState title="The people cannot be shown">{describeFailure(error)}</EmptyState>
      </section>
    );
  return (
    <div className={styles.screen}>
      <section className={styles.sheet} aria-labelledby="people-title">
        <h1 id="people-title">People of {company.name}</h1>
        {link && <LinkToGive link={link} onClose={() => setLink(null)} />}
        <table className={styles.table}>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">E-mail</th>
              <th scope="col">Role</th>
              <th scope="col" title="A right of the whole installation, passed on by those who have it">
                Adds companies
              </th>
              <th scope="col">Last signed in</th>
              <th scope="col">
                <span className="unseen">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {(data?.people ?? []).map(({ personId, name, email, role, version, hasPassword, mayAddCompanies, lastSignIn }) => (
              <tr key={personId}>
                <th scope="row">
                  {name}
                  {personId === session?.person?.id && <span className={styles.quiet}> (you)</span>}
                </th>
                <td>{email}</td>
                <td>
                  <select
                    aria-label={`Role of ${name}`}
                    className={styles.role}
                    value={role}
                    onChange={async (event) => {
                      const next = event.target.value as Role;
                      say(await changeRole({ companyId: company.id, personId, role: next, version }), `Changed: ${name} is ${next} now.`);
                    }}
                  >
                    {roles.map((value) => (
                      <option key={value} value={value}>
                        {value}
                      </option>
                    ))}
                  </select>
                </td>
                <td>
                  <input
                    type="checkbox"
                    aria-label={`${name} may add companies`}
                    checked={mayAddCompanies}
                    disabled={personId === session?.person?.id || session?.person?.mayAddCompanies !== true}
                    onChange={async (event) => {
                      const may = event.target.checked;
                      say(
                        await grant({ companyId: company.id, personId, may }),
                        `Changed: ${name} may ${may ? 'add companies' : 'add no companies any more'}.`,
                      );
                    }}
                  />
                </td>
                <td>{lastSignIn ? momentText(lastSignIn) : hasPassword ? 'never' : <span className={styles.waiting}>not yet: the link was not used</span>}</td>
                <td className={styles.actions}>
                  <button
                    type="button"
                    onClick={async () => {
                      const made = await renew({ companyId: company.id, personId });
                      if (made.data) give(name, made.data.token);
                      else say(made, '');
                    }}
                  >
                    New link
                  </button>
                  <button
                    type="button"
                    onClick={async () => say(await remove({ companyId: company.id, personId, version }), `Removed: ${name} has no role here any more.`)}
                  >
                    Remove
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <AddPersonPanel onAdded={give} />
    </div>
  );
}

function LinkToGive({ link, onClose }: { link: LinkGiven; onClose: () => void }) {
  const [copied, setCopied] = useState(false);
  return (
    <div className={styles.link} role="status">
      <p>
        Give this link to <strong>{link.name}</strong>, by a way that only they read. It sets their password, works once and within a week, and is not shown
        again.
      </p>
      <code>{link.url}</code>
      <div className={styles.buttons}>
        <Button variant="contained" onClick={() => void navigator.clipboard.writeText(link.url).then(() => setCopied(true))}>
          {copied ? 'Copied' : 'Copy the link'}
        </Button>
        <Button onClick={onClose}>Done</Button>
      </div>
    </div>
  );
}

function AddPersonPanel({ onAdded }: { onAdded: (name: string, token: string | null) => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [add, { isLoading, error }] = useAddPersonMutation();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('preparer');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const added = await add({ companyId: company.id, body: { name, email, role } });
    if (!added.data) return;
    onAdded(name, added.data.token);
    const how = added.data.token ? 'Give them the link.' : 'They sign in as before and find the company there.';
    dispatch(noticeGiven({ tone: 'done', text: `Added: ${name} as ${role}. ${how}` }));
    setName('');
    setEmail('');
  };
  return (
    <aside className={styles.panel} aria-labelledby="add-person">
      <h2 id="add-person">Add a person</h2>
      <form className={styles.form} onSubmit={(event) => void submit(event)}>
        <TextField label="Name" value={name} onChange={(event) => setName(event.target.value)} required />
        <TextField label="E-mail" type="email" value={email} onChange={(event) => setEmail(event.target.value)} required />
        <TextField select label="Role" value={role} onChange={(event) => setRole(event.target.value as Role)} helperText={roleWords[role]}>
          {roles.map((value) => (
            <MenuItem key={value} value={value}>
              {value}
            </MenuItem>
          ))}
        </TextField>
        {error !== undefined && <p role="alert">{describeFailure(error)}</p>}
        <Button type="submit" variant="contained" disabled={isLoading || name.trim() === '' || email.trim() === ''}>
          Add
        </Button>
      </form>
      <h3>What each role may</h3>
      <dl className={styles.words}>
        {roles.map((value) => (
          <div key={value}>
            <dt>{value}</dt>
            <dd>{roleWords[value]}</dd>
          </div>
        ))}
        <div>
          <dt>adds companies</dt>
          <dd>a right of the whole installation, whatever the role; passed on by those who have it</dd>
        </div>
      </dl>
    </aside>
  );
}
