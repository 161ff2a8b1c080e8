export { type AccountField, layField, type NamedAmount, namedLines } from './accountField.ts';
export { accountsById } from './accountsById.ts';
export { booksOfAdjusting } from './adjustingBooks.ts';
export { balancesFor } from './balancesFor.ts';
export { inClassification, openClassified } from './inClassification.ts';
export { lastBalance } from './lastBalance.ts';
export { mainLanguage } from './mainLanguage.ts';
export { openBooks, openBooksOf, openStructure, unknownIn, withFreshBooks } from './openBooks.ts';
export { partialsAt, partialsFor } from './partialLines.ts';
