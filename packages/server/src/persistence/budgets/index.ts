export { BudgetRepository, mergeBudgets } from './budgetStore.ts';
