import type { Operation } from '@ivory-ladder/contract';

/** What a request needs to know of an operation. */
export interface Route {
  readonly method: Operation['method'];
  /** Under `/api`, parameters as `{name}`. */
  readonly path: string;
  /** Whether it takes a file together with its name. */
  readonly takesName?: true;
  /** Whether what is asked for may be too long for an address. */
  readonly mayBeLong?: true;
}

/** The routes of operations, by name. */
export function routesOf(operations: Readonly<Record<string, Operation>>, mayBeLong: (operation: Operation) => boolean): Readonly<Record<string, Route>> {
  return Object.fromEntries(
    Object.entries(operations).map(([name, operation]): [string, Route] => {
      const { method, path, query, takesFile, takesStream } = operation;
      return [
        name,
        {
          method,
          path,
          ...((takesFile || takesStream) && query && 'name' in query.shape ? { takesName: true } : {}),
          ...(mayBeLong(operation) ? { mayBeLong: true } : {}),
        },
      ];
    }),
  );
}
