import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  server: { proxy: { '/api': 'http://localhost:5080' } },
  build: { target: 'baseline-widely-available', outDir: '../src/Web/wwwroot', emptyOutDir: true, assetsInlineLimit: 0 },
});
