import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

const require = createRequire(import.meta.url);

/** What text of a printed page is set in: figures and captions, or titles and totals. */
export type Face = 'sans' | 'serif';

const families = {
  sans: { name: 'ibm-plex-sans', folder: dirname(require.resolve('@fontsource/ibm-plex-sans/package.json')) },
  serif: { name: 'source-serif-4', folder: dirname(require.resolve('@fontsource/source-serif-4/package.json')) },
};
/** Each file of a font holds some scripts: the first one whose characters these are. */
const scripts = { latinext: /[\u0100-\u02ba\u1e00-\u1eff\u20a0-\u20ab\u20ad-\u20c0]/u, greek: /[\u0370-\u03ff]/u, cyrillic: /[\u0400-\u045f\u0490-\u04b1]/u };
type Script = keyof typeof scripts | 'latin';
const files: Readonly<Record<Script, string>> = { latin: 'latin', latinext: 'latin-ext', greek: 'greek', cyrillic: 'cyrillic' };

/** The fonts that the screens are set in, by face and script: `sans`, `sans-greek`. */
export const printFonts = Object.fromEntries(
  (Object.entries(families) as [Face, (typeof families)[Face]][]).flatMap(([face, { name, folder }]) =>
    (Object.keys(files) as Script[]).map((script) => {
      const file = (weight: number) => join(folder, 'files', `${name}-${files[script]}-${weight}-normal.woff`);
      return [nameOf(face, script), { normal: file(400), bold: file(600) }];
    }),
  ),
);

function nameOf(face: Face, script: Script): string {
  return script === 'latin' ? face : `${face}-${script}`;
}

/** Text in a face, each run of characters in the file that has them. */
export function typeset(text: string, face: Face): { text: string; font: string }[] {
  const runs: { script: Script; text: string }[] = [];
  for (const character of text) {
    const script = (Object.keys(scripts) as (keyof typeof scripts)[]).find((one) => scripts[one].test(character)) ?? 'latin';
    const last = runs.at(-1);
    if (last?.script === script) last.text += character;
    else runs.push({ script, text: character });
  }
  return runs.map((run) => ({ text: run.text, font: nameOf(face, run.script) }));
}
