import type { AccountChange, PlacesChange } from '@ivory-ladder/contract';
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

export type AccountFieldsChange = Omit<AccountChange, 'version'>;

/** Each screen takes back what was done on it, and nothing that is out of sight. */
export type CommandScreen = 'placement' | 'chart';

/** One thing done, with what takes it back. */
export type Command = { readonly id: string; readonly screen: CommandScreen; readonly companyId: number; readonly name: string } & (
  | { readonly kind: 'places'; readonly changes: PlacesChange['changes'] }
  /** Numbers by account. */
  | { readonly kind: 'numbers'; readonly changes: readonly { readonly accountId: number; readonly before: string; readonly after: string }[] }
  | { readonly kind: 'account'; readonly accountId: number; readonly before: AccountFieldsChange; readonly after: AccountFieldsChange }
);

interface UndoState {
  readonly done: readonly Command[];
  readonly undone: readonly Command[];
}

const longest = 100;
const without = (commands: readonly Command[], { id }: Command) => commands.filter((command) => command.id !== id);
const isElsewhere = (command: Command, { screen, companyId }: Pick<Command, 'screen' | 'companyId'>) =>
  command.screen !== screen || command.companyId !== companyId;

const undoSlice = createSlice({
  name: 'undo',
  initialState: { done: [], undone: [] } as UndoState,
  reducers: {
    commandDone: (state, { payload }: PayloadAction<Command>) => ({
      done: [...state.done, payload].slice(-longest),
      undone: state.undone.filter((command) => isElsewhere(command, payload)),
    }),
    commandUndone: (state, { payload }: PayloadAction<Command>) => ({ done: without(state.done, payload), undone: [...state.undone, payload] }),
    commandRedone: (state, { payload }: PayloadAction<Command>) => ({ done: [...state.done, payload], undone: without(state.undone, payload) }),
    /** What somebody else changed meanwhile cannot be taken back any more. */
    commandsForgotten: (state, { payload }: PayloadAction<Pick<Command, 'screen' | 'companyId'>>): UndoState => ({
      done: state.done.filter((command) => isElsewhere(command, payload)),
      undone: state.undone.filter((command) => isElsewhere(command, payload)),
    }),
  },
});

export const { commandDone, commandUndone, commandRedone, commandsForgotten } = undoSlice.actions;
export const undoReducer = undoSlice.reducer;
