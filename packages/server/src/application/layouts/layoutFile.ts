import {
  type CarriedNames,
  type CarryingFacts,
  carryOver,
  fail,
  type NotCarried,
  namesCarried,
  type Outcome,
  type OwnLayout,
  succeed,
} from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { openClassified } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Ports, StoredLayout } from '../ports/index.ts';
import { keyTwice, viewLayout } from './layouts.ts';

/** A layout that moves between companies and installations: what it says, and the names of all that it speaks of by id. */
export interface LayoutFile {
  readonly format: 'ivory-ladder-layout';
  readonly version: 1;
  readonly name: string;
  readonly layout: OwnLayout;
  readonly names: CarriedNames;
}

function carryingFacts({ categoryTree, accounts, lists }: Books): CarryingFacts {
  return { tree: categoryTree, accounts, lists };
}

/** Of what is worked at: the draft, or the version in use where there is none. */
export async function writeLayoutFile(ports: Ports, access: Access, id: number): Promise<Outcome<LayoutFile, Failure>> {
  const found = await viewLayout(ports, access, id);
  if (!found.ok) return found;
  const { name, classificationId, draft, used } = found.value;
  const opened = await openClassified(ports, access.companyId, classificationId);
  if (!opened.ok) return opened;
  const layout = draft ?? used;
  if (!layout) return fail({ code: 'not_found', thing: 'layout', id });
  return succeed({
    format: 'ivory-ladder-layout',
    version: 1,
    name,
    layout,
    names: namesCarried(layout.lines, layout.transfers ?? [], carryingFacts(opened.value)),
  });
}

export interface CarriedLayout {
  readonly stored: StoredLayout;
  /** What the file names and this chart does not have. */
  readonly missing: readonly NotCarried[];
}

/** Begins a draft as the file says it, over this company's categories, accounts and lists of the same names. */
export async function readLayoutFile(
  ports: Ports,
  access: Access<'keep_layouts'>,
  { name, layout, names }: Omit<LayoutFile, 'format' | 'version'>,
  classificationId: number | undefined,
): Promise<Outcome<CarriedLayout, Failure>> {
  const twice = keyTwice(layout);
  if (twice !== undefined) return fail({ code: 'layout_key_twice', line: twice });
  const opened = await openClassified(ports, access.companyId, classificationId);
  if (!opened.ok) return opened;
  const carried = carryOver(layout.lines, layout.transfers ?? [], names, carryingFacts(opened.value));
  const taken = new Set((await ports.layouts.list(access.companyId)).map((other) => other.name.toLowerCase()));
  const added = await ports.layouts.add(
    access.companyId,
    {
      name: freeName(name, taken),
      classificationId: opened.value.classificationId,
      draft: { ...ofAnyCompany(layout), lines: carried.lines, ...(layout.transfers ? { transfers: carried.transfers } : {}) },
    },
    access.actor,
  );
  if (!added.ok) return added;
  const stored = await viewLayout(ports, access, added.value);
  return stored.ok ? succeed({ stored: stored.value, missing: carried.missing }) : stored;
}

/** A composed plan is of the company that it was composed in. */
function ofAnyCompany({ columns, ...layout }: OwnLayout): OwnLayout {
  return columns === undefined || columns.plan === 'composed' ? layout : { ...layout, columns };
}

/** `For the bank`, then `For the bank (2)`. */
function freeName(name: string, taken: ReadonlySet<string>): string {
  if (!taken.has(name.toLowerCase())) return name;
  for (let number = 2; ; number++) if (!taken.has(`${name} (${number})`.toLowerCase())) return `${name.slice(0, 190)} (${number})`;
}
