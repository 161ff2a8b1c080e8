import { defineConfig } from 'vite';

/** Our own workspaces are bundled; npm packages stay where npm put them. */
export default defineConfig({
  build: {
    ssr: true,
    target: 'node20',
    sourcemap: true,
    rollupOptions: {
      input: { main: 'src/main.ts', ledger: 'src/ledger.ts', answerWorker: 'src/answerWorker.ts', workbookWorker: 'src/documents/workbookWorker.ts' },
      output: { entryFileNames: '[name].js', format: 'es' },
    },
  },
  ssr: { noExternal: [/^@ivory-ladder\//] },
});
