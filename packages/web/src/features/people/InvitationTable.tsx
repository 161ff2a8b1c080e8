import type { PersonList } from '@ivory-ladder/contract';
import { useRenewInvitationMutation, useWithdrawInvitationMutation } from '../../shared/api/peopleApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import { momentText } from '../../shared/words/momentText.ts';
import styles from './PeopleScreen.module.css';
import type { RoleToGive } from './roleWords.ts';

interface InvitationTableProps {
  readonly invitations: PersonList['invitations'];
  readonly given: readonly RoleToGive[];
  readonly onLink: (name: string, token: string) => void;
  readonly say: (result: { error?: unknown }, text: string) => void;
}

/** Of those who were asked nothing is known but the address. */
export function InvitationTable({ invitations, given, onLink, say }: InvitationTableProps) {
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
              <td>{given.find(({ key }) => key === role)?.name ?? role}</td>
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
