import { z } from 'zod';
import type { Operation } from './operation.ts';
import { category, categoryChange, categoryInput, placementView, placesChange } from './placement.ts';
import { spanQuery } from './statement.ts';

/** Categories, and where accounts stand. */
export const placementOperations = {
  getPlacement: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/placement',
    summary: 'Categories, accounts with their places, and amounts for a span and its comparison',
    query: spanQuery,
    answer: placementView,
  },
  setPlaces: {
    needs: 'preparer',
    method: 'put',
    path: '/companies/{companyId}/places',
    summary: 'Place accounts, all or none',
    body: placesChange,
    answer: z.object({ moved: z.int() }),
  },
  addCategory: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/categories',
    summary: 'Add a category at the end of its siblings',
    body: categoryInput,
    answer: category,
    status: 201,
  },
  changeCategory: {
    needs: 'preparer',
    method: 'patch',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Rename, nest, order or describe a category',
    body: categoryChange,
    answer: category,
  },
  deleteCategory: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/categories/{categoryId}',
    summary: 'Delete an empty category',
    answer: 'none',
    status: 204,
  },
} as const satisfies Record<string, Operation>;
