import { type Permission, permissions } from '@ivory-ladder/core';
import Button from '@mui/material/Button';
import { useState } from 'react';
import { useDeleteOwnRoleMutation } from '../../shared/api/peopleApi.ts';
import { useCompany } from '../../shared/state/useCompany.ts';
import styles from './PeopleScreen.module.css';
import { RoleDialog } from './RoleDialog.tsx';
import type { RoleToGive } from './roleWords.ts';

/** Heads of columns; what they say in full stands in the dialog and behind the pointer. */
const heads: Readonly<Record<Permission, string>> = {
  see: 'See',
  see_papers: 'Papers, history',
  prepare_entries: 'Entries',
  keep_chart: 'Chart',
  keep_placement: 'Placement',
  keep_layouts: 'Layouts, sets',
  keep_budgets_and_rates: 'Budgets, rates',
  lock_periods: 'Lock periods',
  keep_people_and_settings: 'People, settings',
};

interface RoleTableProps {
  readonly given: readonly RoleToGive[];
  readonly say: (result: { error?: unknown }, text: string) => void;
}

/** What each role may: those that every company has, and the company's own, which are made and changed here. */
export function RoleTable({ given, say }: RoleTableProps) {
  const company = useCompany();
  const [remove] = useDeleteOwnRoleMutation();
  /** `null`: a new one. */
  const [edited, setEdited] = useState<RoleToGive['own'] | undefined>(undefined);
  return (
    <>
      <div className={styles.rolesHead}>
        <h2 id="roles-title">What each role may</h2>
        <Button onClick={() => setEdited(null)}>New role…</Button>
      </div>
      <table className={styles.roles} aria-labelledby="roles-title">
        <thead>
          <tr>
            <th scope="col">Role</th>
            {permissions.map((permission) => (
              <th key={permission} scope="col">
                {heads[permission]}
              </th>
            ))}
            <th scope="col">
              <span className="unseen">Actions</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {given.map(({ key, name, permissions: held, own }) => (
            <tr key={key}>
              <th scope="row">{name}</th>
              {permissions.map((permission) => (
                <td key={permission}>{held.includes(permission) ? <span title="may">✓</span> : <span className="unseen">may not</span>}</td>
              ))}
              <td className={styles.actions}>
                {own && (
                  <>
                    <button type="button" aria-label={`Change ${name}`} onClick={() => setEdited(own)}>
                      Change
                    </button>
                    <button
                      type="button"
                      aria-label={`Delete ${name}`}
                      onClick={async () => say(await remove({ companyId: company.id, roleId: own.id, version: own.version }), `Deleted: the role ${name}.`)}
                    >
                      Delete
                    </button>
                  </>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {edited !== undefined && <RoleDialog role={edited} onClose={() => setEdited(undefined)} />}
    </>
  );
}
