import { mayBeLong, type OperationName, operations } from '@ivory-ladder/contract';
import { type Route, routesOf } from './routesOf.ts';

/** The routes of every operation of the contract. In a page that is built they stand written out (vite.config.ts), so that no schema comes with them. */
export const routes = routesOf(operations, mayBeLong) as Readonly<Record<OperationName, Route>>;
