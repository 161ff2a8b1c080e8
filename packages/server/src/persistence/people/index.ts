export { AccessLogRepository } from './accessLog.ts';
export { InvitationRepository } from './invitationStore.ts';
export { forgetOldBrowsers, KnownBrowserRepository } from './knownBrowsers.ts';
export { OutboxRepository } from './outboxStore.ts';
export { insertMember, PeopleRepository } from './peopleStore.ts';
export { RoleRepository, withOwnRole } from './roleStore.ts';
export { SecondFactorRepository } from './secondFactorStore.ts';
export { forgetEndedSessions, SessionRepository, sessionSecret } from './sessionStore.ts';
export { forgetOldPauses, SignInPauseRepository } from './signInPauses.ts';
