export { demoPerson } from './demoPerson.ts';
export { helpPerson, type InstallationView, viewInstallation } from './installation.ts';
export { acceptInvitation, type LinkFound, lookAtLink, makeFirstLink, useLink } from './oneTimeLinks.ts';
export { addOwnRole, changeOwnRole, deleteOwnRole, roleNameOf } from './ownRoles.ts';
export {
  changeRole,
  grantCompanies,
  invitePerson,
  listPeople,
  type PeopleOfCompany,
  removePerson,
  renewInvitation,
  renewLink,
  withdrawInvitation,
} from './people.ts';
export { askRecovery } from './recovery.ts';
export { runDueJobs, workOf } from './runJobs.ts';
export {
  beginSecondFactor,
  confirmSecondFactor,
  removeSecondFactor,
  renewRecoveryCodes,
  requireSecondFactor,
  takeSecondFactor,
  viewSecondFactor,
} from './secondFactor.ts';
export { changePassword, rememberBrowser, signIn } from './signIn.ts';
