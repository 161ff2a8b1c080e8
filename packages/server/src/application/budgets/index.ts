export { addBudget, deleteBudget, findBudget, listBudgets, lockBudget, renameBudget, setBudgetCells, unlockBudget } from './budgets.ts';
export { readBudgetWorkbook, viewBudget, yearNameOf } from './viewBudget.ts';
