export { CompanyRepository } from './companyStore.ts';
export { purgeRemoved } from './removeCompany.ts';
