import type { AddedPerson, LinkView, PersonList, Session } from '@ivory-ladder/contract';
import type { Role } from '@ivory-ladder/core';
import { ivoryApi } from './ivoryApi.ts';

/** Who is signed in, and who works in a company. */
const peopleApi = ivoryApi.injectEndpoints({
  endpoints: (build) => ({
    getSession: build.query<Session, void>({ query: () => '/session', providesTags: ['Session'] }),
    signIn: build.mutation<Session, { email: string; password: string }>({ query: (body) => ({ url: '/session', method: 'POST', body }) }),
    enterDemo: build.mutation<Session, Role>({ query: (role) => ({ url: '/session/demo', method: 'POST', body: { role } }) }),
    signOut: build.mutation<void, { everywhere: boolean }>({ query: ({ everywhere }) => ({ url: everywhere ? '/sessions' : '/session', method: 'DELETE' }) }),
    changePassword: build.mutation<void, { current: string; next: string }>({ query: (body) => ({ url: '/password', method: 'PUT', body }) }),
    lookAtLink: build.query<LinkView, string>({ query: (token) => ({ url: '/links/look', method: 'POST', body: { token } }), keepUnusedDataFor: 0 }),
    useLink: build.mutation<Session, { token: string; password: string; name?: string; email?: string }>({
      query: (body) => ({ url: '/links/use', method: 'POST', body }),
    }),
    listPeople: build.query<PersonList, number>({ query: (id) => `/companies/${id}/people`, providesTags: ['People'] }),
    addPerson: build.mutation<AddedPerson, { companyId: number; body: { name: string; email: string; role: Role } }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/people`, method: 'POST', body }),
      invalidatesTags: ['People', 'History'],
    }),
    changeRole: build.mutation<PersonList, { companyId: number; personId: number; role: Role; version: number }>({
      query: ({ companyId, personId, ...body }) => ({ url: `/companies/${companyId}/people/${personId}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    grantCompanies: build.mutation<PersonList, { companyId: number; personId: number; may: boolean }>({
      query: ({ companyId, personId, may }) => ({ url: `/companies/${companyId}/people/${personId}/adding-companies`, method: 'PUT', body: { may } }),
      invalidatesTags: ['People', 'History'],
    }),
    removePerson: build.mutation<void, { companyId: number; personId: number; version: number }>({
      query: ({ companyId, personId, version }) => ({ url: `/companies/${companyId}/people/${personId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    renewLink: build.mutation<AddedPerson, { companyId: number; personId: number }>({
      query: ({ companyId, personId }) => ({ url: `/companies/${companyId}/people/${personId}/link`, method: 'POST' }),
    }),
  }),
});

export const {
  useGetSessionQuery,
  useSignInMutation,
  useEnterDemoMutation,
  useSignOutMutation,
  useChangePasswordMutation,
  useLookAtLinkQuery,
  useUseLinkMutation,
  useListPeopleQuery,
  useAddPersonMutation,
  useChangeRoleMutation,
  useGrantCompaniesMutation,
  useRemovePersonMutation,
  useRenewLinkMutation,
} = peopleApi;
