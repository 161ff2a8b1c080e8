export { readPresentation } from './presentationText.ts';
export { ScaleMenu } from './ScaleMenu.tsx';
export { StatementFoot } from './StatementFoot.tsx';
export { statementNames } from './StatementNav.tsx';
export { isWide, type RowComments, StatementTable } from './StatementTable.tsx';
export { statementDates } from './statementDates.ts';
export { statementRequest } from './statementRequest.ts';
