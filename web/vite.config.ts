import react from '@vitejs/plugin-react';
import { defineConfig } from 'vitest/config';

export default defineConfig({
  plugins: [react()],
  build: {
    outDir: '../src/MossLantern.Web/wwwroot',
    emptyOutDir: true,
    // The content security policy takes no inlined scripts or fonts.
    assetsInlineLimit: 0,
  },
  css: { preprocessorOptions: { scss: { quietDeps: true, silenceDeprecations: ['import'] } } },
  server: { proxy: { '/api': 'http://127.0.0.1:5180' } },
  // Files share a page environment: each test file clears what it puts there.
  test: { environment: 'jsdom', pool: 'threads', isolate: false },
});
