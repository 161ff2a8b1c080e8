import type { RoleKey } from '@ivory-ladder/core';
import { useState } from 'react';
import { useDispatch } from 'react-redux';
import {
  useChangeRoleMutation,
  useGetSessionQuery,
  useGrantCompaniesMutation,
  useListPeopleQuery,
  useRemovePersonMutation,
  useRenewLinkMutation,
} from '../../shared/api/peopleApi.ts';
import { EmptyState } from '../../shared/components/EmptyState.tsx';
import { Select } from '../../shared/components/Select.tsx';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { describeFailure } from '../../shared/words/failureMessages.ts';
import { momentText } from '../../shared/words/momentText.ts';
import { InvitationTable } from './InvitationTable.tsx';
import { InvitePanel } from './InvitePanel.tsx';
import { type LinkGiven, LinkToGive } from './LinkToGive.tsx';
import styles from './PeopleScreen.module.css';
import { RoleTable } from './RoleTable.tsx';
import { rolesToGive } from './roleWords.ts';

/** Who works in the company and in which role, and who was asked; they belong to it once they have accepted. */
export function PeopleScreen() {
  const company = useCompany();
  const dispatch = useDispatch();
  const { data, error } = useListPeopleQuery({ companyId: company.id });
  const { data: session } = useGetSessionQuery();
  const [changeRole] = useChangeRoleMutation();
  const [grant] = useGrantCompaniesMutation();
  const [remove] = useRemovePersonMutation();
  const [renew] = useRenewLinkMutation();
  const [link, setLink] = useState<LinkGiven | null>(null);
  const say = (result: { error?: unknown }, text: string) =>
    void dispatch(noticeGiven(result.error === undefined ? { tone: 'done', text } : { tone: 'refused', text: describeFailure(result.error) }));
  const given = rolesToGive(data?.ownRoles ?? []);
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
            {(data?.people ?? []).map(({ personId, name, email, role, version, hasPassword, mayAddCompanies, hasSecondFactor, lastSignIn }) => (
              <tr key={personId}>
                <th scope="row">
                  {name}
                  {personId === session?.person?.id && <span className={styles.quiet}> (you)</span>}
                </th>
                <td>
                  {email}
                  {hasSecondFactor && (
                    <span className={styles.quiet} title="Signs in with a second factor">
                      {' '}
                      · 2nd factor
                    </span>
                  )}
                </td>
                <td>
                  <Select
                    aria-label={`Role of ${name}`}
                    className={styles.role}
                    value={role}
                    onChange={async (event) => {
                      const next = given.find(({ key }) => key === (event.target.value as RoleKey));
                      if (!next) return;
                      say(await changeRole({ companyId: company.id, personId, body: { role: next.key, version } }), `Changed: ${name} is ${next.name} now.`);
                    }}
                  >
                    {given.map(({ key, name: named }) => (
                      <option key={key} value={key}>
                        {named}
                      </option>
                    ))}
                  </Select>
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
                        await grant({ companyId: company.id, personId, body: { may } }),
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
        {data && data.invitations.length > 0 && <InvitationTable invitations={data.invitations} given={given} onLink={give} say={say} />}
        {data && <RoleTable given={given} say={say} />}
      </section>
      <InvitePanel given={given} onAdded={give} />
    </div>
  );
}
