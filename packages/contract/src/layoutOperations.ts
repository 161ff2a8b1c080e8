import {
  layoutDetail,
  layoutDraft,
  layoutFigures,
  layoutFiguresQuery,
  layoutInput,
  layoutList,
  layoutPutInUse,
  layoutRename,
  layoutVersionDetail,
} from './layout.ts';
import type { Operation } from './operation.ts';

/** Layouts that are composed: drafts, versions, and the one in use. */
export const layoutOperations = {
  listLayouts: { needs: 'reader', method: 'get', path: '/companies/{companyId}/layouts', summary: 'Composed layouts by name', answer: layoutList },
  addLayout: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/layouts',
    summary: 'Begin a layout: as a generated one, as a copy, or empty',
    body: layoutInput,
    answer: layoutDetail,
    status: 201,
  },
  getLayout: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/layouts/{layoutId}',
    summary: 'What is worked at, what is in use, and the versions',
    answer: layoutDetail,
  },
  renameLayout: {
    needs: 'preparer',
    method: 'patch',
    path: '/companies/{companyId}/layouts/{layoutId}',
    summary: 'Rename a layout',
    body: layoutRename,
    answer: layoutDetail,
  },
  saveLayoutDraft: {
    needs: 'preparer',
    method: 'put',
    path: '/companies/{companyId}/layouts/{layoutId}/draft',
    summary: 'Keep what is drafted, or drop it',
    body: layoutDraft,
    answer: layoutDetail,
  },
  putLayoutInUse: {
    needs: 'preparer',
    method: 'post',
    path: '/companies/{companyId}/layouts/{layoutId}/use',
    summary: 'Make the draft the version that runs',
    body: layoutPutInUse,
    answer: layoutDetail,
  },
  deleteLayout: {
    needs: 'preparer',
    method: 'delete',
    path: '/companies/{companyId}/layouts/{layoutId}',
    summary: 'Delete a layout with its versions',
    answer: 'none',
  },
  getLayoutVersion: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/layouts/{layoutId}/versions/{number}',
    summary: 'A version as it was put in use',
    answer: layoutVersionDetail,
  },
  getLayoutFigures: {
    needs: 'reader',
    method: 'get',
    path: '/companies/{companyId}/layout-figures',
    summary: 'Amounts of every account that a layout is tried over while it is composed',
    query: layoutFiguresQuery,
    answer: layoutFigures,
  },
} as const satisfies Record<string, Operation>;
