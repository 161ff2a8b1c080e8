import type { StarterKey } from '@ivory-ladder/core';

/** What a company begins with, as the address and the form say it. */
export type Beginning = { kind: 'categories' } | { kind: 'starter'; key: StarterKey } | { kind: 'copy'; companyId: number };
