import type { PersonList } from '@ivory-ladder/contract';
import { type Role, roles } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import { type FormEvent, useState } from 'react';
import { useDispatch } from 'react-redux';
import { describeFailure } from '../../api/failureMessages.ts';
import {
  useChangeRoleMutation,
  useGetSessionQuery,
  useGrantCompaniesMutation,
  useInvitePersonMutation,
  useListPeopleQuery,
  useRemovePersonMutation,
  useRenewInvitationMutation,
  useRenewLinkMutation,
  useWithdrawInvitationMutation,
} from '../../api/peopleApi.ts';
import { noticeGiven } from '../../app/noticeSlice.ts';
import { useCompany } from '../../app/useCompany.ts';
import { EmptyState } from '../../components/EmptyState.tsx';
import { momentText } from '../../components/momentText.ts';
import { type LinkGiven, LinkToGive } from './LinkToGive.tsx';
import styles from './PeopleScreen.module.css';
import { roleWords } from './roleWords.ts';

/** Who works in the company and in which role, and who was asked; they belong to it once they have accepted. */
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
  const give = (name: string, token: string) => setLink({ name, token, lasts: 'a week' });
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
                <td>{lastSignIn ? momentText(lastSignIn) : hasPassword ? 'never' : <span className={styles.waiting}>has no password yet</span>}</td>
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
        {data && data.invitations.length > 0 && <InvitationTable invitations={data.invitations} onLink={give} say={say} />}
      </section>
      <InvitePanel onAdded={give} />
    </div>
  );
}

interface InvitationTableProps {
  readonly invitations: PersonList['invitations'];
  readonly onLink: (name: string, token: string) => void;
  readonly say: (result: { error?: unknown }, text: string) => void;
}

/** Of those who were asked nothing is known but the address. */
function InvitationTable({ invitations, onLink, say }: InvitationTableProps) {
  const company = useCompany();
  const [renew] = useRenewInvitationMutation();
  const [withdraw] = useWithdrawInvitationMutation();
  return (
    <>
      <h2>Invited</h2>
      <table className={styles.table} aria-label="Invited">
        <thead>
          <tr>
            <th scope="col">E-mail</th>
            <th scope="col">Role</th>
            <th scope="col">Invited</th>
            <th scope="col">
              <span className="unseen">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {invitations.map(({ invitationId, email, role, invitedAt, isOpen }) => (
            <tr key={invitationId}>
              <th scope="row">{email}</th>
              <td>{role}</td>
              <td>
                {momentText(invitedAt)}
                {!isOpen && <span className={styles.waiting}>, the link has expired</span>}
              </td>
              <td className={styles.actions}>
                <button
                  type="button"
                  onClick={async () => {
                    const made = await renew({ companyId: company.id, invitationId });
                    if (made.data) onLink(email, made.data.token);
                    else say(made, '');
                  }}
                >
                  New link
                </button>
                <button
                  type="button"
                  onClick={async () => say(await withdraw({ companyId: company.id, invitationId }), `Withdrawn: the invitation of ${email}.`)}
                >
                  Withdraw
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function InvitePanel({ onAdded }: { onAdded: (name: string, token: string) => void }) {
  const company = useCompany();
  const dispatch = useDispatch();
  const [add, { isLoading, error }] = useInvitePersonMutation();
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [role, setRole] = useState<Role>('preparer');
  const submit = async (event: FormEvent) => {
    event.preventDefault();
    const added = await add({ companyId: company.id, body: { name, email, role } });
    if (!added.data) return;
    onAdded(name, added.data.token);
    dispatch(noticeGiven({ tone: 'done', text: `Invited: ${name} as ${role}. They belong to the company once they accept.` }));
    setName('');
    setEmail('');
  };
  return (
    <aside className={styles.panel} aria-labelledby="invite-person">
      <h2 id="invite-person">Invite a person</h2>
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
          Invite
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
