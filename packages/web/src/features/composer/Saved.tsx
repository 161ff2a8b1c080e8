import type { Composer } from './useComposer.ts';

/** Whether what stands on the screen is kept. */
export function Saved({ composer: { save } }: { readonly composer: Composer }) {
  switch (save.kind) {
    case 'saved':
      return <>{save.at === null ? 'saved' : `saved ${save.at.toTimeString().slice(0, 5)}`}</>;
    case 'saving':
    case 'waiting':
      return <>saving…</>;
  }
}
