import { existsSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import react from '@vitejs/plugin-react';
import { defineConfig, type Plugin } from 'vite';
import { mayBeLong } from '../contract/src/operation.ts';
import { operations } from '../contract/src/operations.ts';
import { routesOf } from './src/shared/api/routesOf.ts';

/** Assets never change under their name, so they are packed once, when they are built. */
function packAssets(): Plugin {
  return {
    name: 'pack-assets',
    apply: 'build',
    closeBundle() {
      const folder = join(import.meta.dirname, 'dist', 'assets');
      // Also called after a build that failed, whose own reason is to be read.
      if (!existsSync(folder)) return;
      for (const file of readdirSync(folder).filter((name) => /\.(js|css|svg)$/.test(name))) {
        const content = readFileSync(join(folder, file));
        writeFileSync(join(folder, `${file}.gz`), gzipSync(content, { level: 9 }));
        writeFileSync(join(folder, `${file}.br`), brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_SIZE_HINT]: content.length } }));
      }
    },
  };
}

/** The page needs paths and methods of the contract's operations, and none of their schemas. */
function writtenOutRoutes(): Plugin {
  const routes = join(import.meta.dirname, 'src', 'shared', 'api', 'routes.ts');
  return {
    name: 'written-out-routes',
    load: (id) => (id === routes ? `export const routes = ${JSON.stringify(routesOf(operations, mayBeLong))};` : null),
  };
}

export default defineConfig(({ command }) => {
  // Vite takes NODE_ENV from the shell: with 'test' there, what is built would be React for developers, whose doubled effects take the focus.
  if (command === 'build') process.env.NODE_ENV = 'production';
  return {
    plugins: [writtenOutRoutes(), react(), packAssets()],
    build: { target: 'es2022', assetsInlineLimit: 0, modulePreload: { polyfill: false }, chunkSizeWarningLimit: 700 },
    server: {
      host: '127.0.0.1',
      port: Number(process.env.IVORY_LADDER_DEV_PORT ?? 4381),
      strictPort: true,
      proxy: { '/api': `http://127.0.0.1:${process.env.PORT ?? 4380}` },
    },
  };
});
