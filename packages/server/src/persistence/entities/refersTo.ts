import type { EntitySchemaOptions } from 'typeorm';

type ForeignKey = NonNullable<EntitySchemaOptions<unknown>['foreignKeys']>[number];

/** A reference that the database holds, by the names of its columns here; what is referred to is not deleted, or takes the row with it. */
export function refersTo(
  name: string,
  target: string,
  columnNames: readonly string[],
  referencedColumnNames: readonly string[],
  onDelete: 'RESTRICT' | 'CASCADE' = 'RESTRICT',
): ForeignKey {
  return { name, target, columnNames: [...columnNames], referencedColumnNames: [...referencedColumnNames], onDelete, onUpdate: 'RESTRICT' };
}
