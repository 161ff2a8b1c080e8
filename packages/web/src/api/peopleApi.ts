import type { InstallationView, Invited, LinkView, PersonList, RenewedLink, Session, SessionList } from '@ivory-ladder/contract';
import type { Permission, Role, RoleKey } from '@ivory-ladder/core';
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
    acceptInvitation: build.mutation<void, string>({ query: (token) => ({ url: '/links/accept', method: 'POST', body: { token } }) }),
    askRecovery: build.mutation<void, string>({ query: (email) => ({ url: '/recovery', method: 'POST', body: { email } }) }),
    listSessions: build.query<SessionList, void>({ query: () => '/sessions', providesTags: ['Sessions'] }),
    endSession: build.mutation<SessionList, string>({
      query: (mark) => ({ url: '/sessions/ending', method: 'POST', body: { mark } }),
      invalidatesTags: ['Sessions'],
    }),
    getInstallation: build.query<InstallationView, void>({ query: () => '/installation', providesTags: ['Installation'] }),
    helpPerson: build.mutation<{ token: string }, string>({
      query: (email) => ({ url: '/installation/links', method: 'POST', body: { email } }),
      invalidatesTags: ['Installation'],
    }),
    invitePerson: build.mutation<Invited, { companyId: number; body: { name: string; email: string; role: RoleKey } }>({
      query: ({ companyId, body }) => ({ url: `/companies/${companyId}/people`, method: 'POST', body }),
      invalidatesTags: ['People', 'History'],
    }),
    renewInvitation: build.mutation<Invited, { companyId: number; invitationId: number }>({
      query: ({ companyId, invitationId }) => ({ url: `/companies/${companyId}/invitations/${invitationId}/link`, method: 'POST' }),
      invalidatesTags: ['People', 'History'],
    }),
    withdrawInvitation: build.mutation<void, { companyId: number; invitationId: number }>({
      query: ({ companyId, invitationId }) => ({ url: `/companies/${companyId}/invitations/${invitationId}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'History'],
    }),
    changeRole: build.mutation<PersonList, { companyId: number; personId: number; role: RoleKey; version: number }>({
      query: ({ companyId, personId, ...body }) => ({ url: `/companies/${companyId}/people/${personId}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    addOwnRole: build.mutation<PersonList, { companyId: number; name: string; permissions: Permission[] }>({
      query: ({ companyId, ...body }) => ({ url: `/companies/${companyId}/roles`, method: 'POST', body }),
      invalidatesTags: ['People', 'History'],
    }),
    changeOwnRole: build.mutation<PersonList, { companyId: number; roleId: number; name: string; permissions: Permission[]; version: number }>({
      query: ({ companyId, roleId, ...body }) => ({ url: `/companies/${companyId}/roles/${roleId}`, method: 'PUT', body }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    deleteOwnRole: build.mutation<void, { companyId: number; roleId: number; version: number }>({
      query: ({ companyId, roleId, version }) => ({ url: `/companies/${companyId}/roles/${roleId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'History'],
    }),
    grantCompanies: build.mutation<PersonList, { companyId: number; personId: number; may: boolean }>({
      query: ({ companyId, personId, may }) => ({ url: `/companies/${companyId}/people/${personId}/adding-companies`, method: 'PUT', body: { may } }),
      invalidatesTags: ['People', 'History'],
    }),
    removePerson: build.mutation<void, { companyId: number; personId: number; version: number }>({
      query: ({ companyId, personId, version }) => ({ url: `/companies/${companyId}/people/${personId}?version=${version}`, method: 'DELETE' }),
      invalidatesTags: ['People', 'Company', 'Companies', 'History'],
    }),
    renewLink: build.mutation<RenewedLink, { companyId: number; personId: number }>({
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
  useAcceptInvitationMutation,
  useAskRecoveryMutation,
  useListSessionsQuery,
  useEndSessionMutation,
  useGetInstallationQuery,
  useHelpPersonMutation,
  useInvitePersonMutation,
  useRenewInvitationMutation,
  useWithdrawInvitationMutation,
  useAddOwnRoleMutation,
  useChangeOwnRoleMutation,
  useChangeRoleMutation,
  useDeleteOwnRoleMutation,
  useGrantCompaniesMutation,
  useRemovePersonMutation,
  useRenewLinkMutation,
} = peopleApi;
