import type { StatementRowBody } from '@ivory-ladder/contract';

/** `printed`: its figures in the unit that is printed, where that is not the minor unit. */
export type PreviewRow = StatementRowBody & { readonly printed?: StatementRowBody['values'] };
