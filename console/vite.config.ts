/// <reference types="vitest/config" />
import { svelte } from '@sveltejs/vite-plugin-svelte';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';
import { documents } from './documents.plugin.ts';

export default defineConfig(({ mode }) => ({
  plugins: [documents(), tailwindcss(), svelte()],
  build: { assetsInlineLimit: 0, outDir: 'target/classes/static', emptyOutDir: true, assetsDir: 'assets' },
  server: {
    fs: { allow: ['..'] },
    proxy: { '/api': 'http://127.0.0.1:7480', '/actuator': 'http://127.0.0.1:7480' },
  },
  // Components are put on a page in tests too, not written out as a server would.
  ...(mode === 'test' ? { resolve: { conditions: ['browser'] } } : {}),
  test: { environment: 'jsdom', include: ['src/**/*.test.ts'] },
}));
