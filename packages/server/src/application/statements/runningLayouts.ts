import type { LayoutRunning } from '@ivory-ladder/core';
import type { PlanningDesk } from './planningDesk.ts';

/** The composed layouts that run over the categories of a classification, by name. */
export async function runningLayouts({ ports, books, versionInUse }: PlanningDesk, classificationId: number): Promise<LayoutRunning[]> {
  const running: LayoutRunning[] = [];
  for (const record of await ports.layouts.list(books.company.id)) {
    if (record.classificationId !== classificationId) continue;
    const own = await versionInUse(record);
    if (own) running.push({ id: record.id, name: record.name, own });
  }
  return running;
}
