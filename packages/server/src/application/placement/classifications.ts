import { fail, type Outcome, succeed } from '@ivory-ladder/core';
import type { Access } from '../access.ts';
import { inClassification, openBooks, withFreshBooks } from '../books/index.ts';
import type { Failure } from '../failure.ts';
import type { Books, Classification, Ports } from '../ports/index.ts';
import { copiedPlacement } from './copiedPlacement.ts';

/** Begins another tree of categories; gives its id. */
export function addClassification(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  { name, copyOf }: { readonly name: string; readonly copyOf: number | null },
): Promise<Outcome<number, Failure>> {
  return withFreshBooks(async () => {
    const opened = await openBooks(ports, companyId);
    if (!opened.ok) return opened;
    const original = copyOf === null ? null : inClassification(opened.value, copyOf);
    if (original && !original.ok) return original;
    const draft = original ? copiedPlacement(original.value) : { places: [], categories: [] };
    return ports.placement.addClassification(companyId, name, draft, opened.value.company.structureVersion, actor);
  });
}

export function changeClassification(
  ports: Ports,
  { companyId, actor }: Access<'keep_placement'>,
  classificationId: number,
  { version, name, isMain }: { readonly version: number; readonly name?: string | undefined; readonly isMain?: true | undefined },
): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const found = await find(ports, companyId, classificationId);
    if (!found.ok) return found;
    const { books, classification } = found.value;
    if (classification.version !== version) return fail({ code: 'version_conflict', thing: 'classification', id: classificationId, current: null });
    const change = { id: classificationId, version, before: classification.name, name: name ?? classification.name, becomesMain: isMain === true };
    return ports.placement.changeClassification(companyId, change, books.company.structureVersion, actor);
  });
}

export function deleteClassification(ports: Ports, { companyId, actor }: Access<'keep_placement'>, classificationId: number): Promise<Outcome<null, Failure>> {
  return withFreshBooks(async () => {
    const found = await find(ports, companyId, classificationId);
    if (!found.ok) return found;
    const { books, classification } = found.value;
    if (classificationId === books.company.mainClassification) return fail({ code: 'classification_is_main', name: classification.name });
    return ports.placement.deleteClassification(companyId, classification, books.company.structureVersion, actor);
  });
}

async function find(ports: Ports, companyId: number, id: number): Promise<Outcome<{ books: Books; classification: Classification }, Failure>> {
  const opened = await openBooks(ports, companyId);
  if (!opened.ok) return opened;
  const classification = opened.value.classifications.find((one) => one.id === id);
  return classification ? succeed({ books: opened.value, classification }) : fail({ code: 'not_found', thing: 'classification', id });
}
