import tailwind from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** `npm run dev` sets ZINC_API to where the server listens. */
const api = process.env.ZINC_API;

export default defineConfig({
  root: import.meta.dirname,
  plugins: [react(), tailwind()],
  build: { target: 'es2022', chunkSizeWarningLimit: 600 },
  server: {
    host: '127.0.0.1',
    ...(api
      ? {
          // The server takes changes from its own pages only: the page's host goes through as it is.
          proxy: { '/api': { target: api, changeOrigin: false } },
        }
      : {}),
  },
});
