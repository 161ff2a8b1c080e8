import type { Role } from '@ivory-ladder/core';
import type { Person, Ports } from '../ports/index.ts';

const demoPeople: Readonly<Record<Role, { readonly name: string; readonly mayAddCompanies: boolean }>> = {
  reader: { name: 'Ida Brandt', mayAddCompanies: false },
  reviewer: { name: 'Tomas Quay', mayAddCompanies: false },
  preparer: { name: 'Maren Eide', mayAddCompanies: true },
  administrator: { name: 'Signe Tarn', mayAddCompanies: true },
};

/** One person for each role, in every company that the demo made. */
export function demoPerson({ people }: Pick<Ports, 'people'>, role: Role): Promise<Person> {
  const { name, mayAddCompanies } = demoPeople[role];
  return people.ensureDemoPerson(`${role}@eiderholm.example`, name, mayAddCompanies, role === 'administrator');
}
