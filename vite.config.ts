import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  root: 'ui',
  base: '/build/',
  plugins: [react(), tailwindcss()],
  build: { outDir: '../public/build', emptyOutDir: true, manifest: true, assetsInlineLimit: 0 },
});
