import { type OwnLine, ownChildren, walkOwn } from '@ivory-ladder/core';
import { useDispatch } from 'react-redux';
import { noticeGiven } from '../../shared/state/noticeSlice.ts';
import { counted } from '../../shared/words/counted.ts';
import { readLines, writeLines } from './lineClipboard.ts';
import type { Composer } from './useComposer.ts';

/** Copies the chosen lines as text, and puts lines of such a text behind the chosen one. */
export function useLineClipboard(
  composer: Composer,
  chosen: readonly string[],
  choose: (keys: readonly string[]) => void,
  insert: (lines: readonly OwnLine[], name: string) => void,
) {
  const dispatch = useDispatch();
  /** The chosen lines as text; with `cut` they are taken away. `null`: none can be copied, which is said. */
  const copy = (cut: boolean): string | null => {
    const own: OwnLine[] = [];
    walkOwn(composer.layout.lines, (line) => {
      if (chosen.includes(line.key)) own.push(line);
    });
    const inside = new Set(own.flatMap((line) => ownChildren(line).map(({ key }) => key)));
    const topmost = own.filter(({ key }) => !inside.has(key));
    const many = counted(topmost.length, 'line');
    if (topmost.length === 0) {
      dispatch(noticeGiven({ tone: 'refused', text: 'Lines that follow the categories cannot be copied; copy the line that follows.' }));
      return null;
    }
    const text = writeLines(topmost, composer);
    if (cut && !composer.edit([{ kind: 'remove', keys: topmost.map(({ key }) => key) }], `Cut ${many}`)) return null;
    if (cut) choose([]);
    dispatch(noticeGiven({ tone: 'done', text: `${cut ? 'Cut' : 'Copied'}: ${many}.` }));
    return text;
  };
  const paste = async (text: string): Promise<void> => {
    const read = await readLines(text, composer);
    if (!read || read.lines.length === 0) {
      dispatch(noticeGiven({ tone: 'refused', text: 'The clipboard holds no lines of a layout.' }));
      return;
    }
    insert(read.lines, `Paste ${counted(read.lines.length, 'line')}`);
    const missing = [...new Set(read.missing.map(({ name }) => name))];
    if (missing.length > 0) dispatch(noticeGiven({ tone: 'refused', text: `Pasted without what this chart lacks: ${missing.slice(0, 5).join(', ')}.` }));
  };
  return { copy, paste };
}
