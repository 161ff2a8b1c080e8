import type { CategoryChange, PlacesChange } from '@ivory-ladder/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type CategoryFieldsChange = Omit<CategoryChange, 'version'>;

/** One thing done on the placement screen, with what takes it back. */
export type PlacementCommand =
  | { readonly kind: 'places'; readonly companyId: number; readonly name: string; readonly changes: PlacesChange['changes'] }
  | {
      readonly kind: 'category';
      readonly companyId: number;
      readonly name: string;
      readonly categoryId: number;
      readonly before: CategoryFieldsChange;
      readonly after: CategoryFieldsChange;
    };

interface UndoState {
  readonly done: readonly PlacementCommand[];
  readonly undone: readonly PlacementCommand[];
}

const longest = 100;

const undoSlice = createSlice({
  name: 'undo',
  initialState: { done: [], undone: [] } as UndoState,
  reducers: {
    commandDone: (state, { payload }: PayloadAction<PlacementCommand>) => ({ done: [...state.done, payload].slice(-longest), undone: [] }),
    commandUndone: (state) => ({ done: state.done.slice(0, -1), undone: [...state.undone, ...state.done.slice(-1)] }),
    commandRedone: (state) => ({ done: [...state.done, ...state.undone.slice(-1)], undone: state.undone.slice(0, -1) }),
    /** What somebody else changed meanwhile cannot be taken back any more. */
    commandsForgotten: (): UndoState => ({ done: [], undone: [] }),
  },
});

export const { commandDone, commandUndone, commandRedone, commandsForgotten } = undoSlice.actions;
export const undoReducer = undoSlice.reducer;
