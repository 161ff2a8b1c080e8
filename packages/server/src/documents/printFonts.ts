import { createRequire } from 'node:module';

const require = createRequire(import.meta.url);

/** What text of a printed page is set in: figures and captions, or titles and totals. */
export type Face = 'sans' | 'serif';

/** The faces of the screens, whole: all scripts they have, and figures of one width. */
export const printFonts: Readonly<Record<Face, { readonly normal: string; readonly bold: string }>> = {
  sans: {
    normal: require.resolve('@expo-google-fonts/ibm-plex-sans/400Regular/IBMPlexSans_400Regular.ttf'),
    bold: require.resolve('@expo-google-fonts/ibm-plex-sans/600SemiBold/IBMPlexSans_600SemiBold.ttf'),
  },
  serif: {
    normal: require.resolve('@expo-google-fonts/source-serif-4/400Regular/SourceSerif4_400Regular.ttf'),
    bold: require.resolve('@expo-google-fonts/source-serif-4/600SemiBold/SourceSerif4_600SemiBold.ttf'),
  },
};
