import node from '@astrojs/node';
import react from '@astrojs/react';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'astro/config';

export default defineConfig({
  output: 'server',
  adapter: node({ mode: 'middleware', experimentalDisableStreaming: true }),
  integrations: [react({ include: ['src/studio/**/*.tsx'] })],
  // Without allowed domains the request URL is always http://localhost. Where a form was posted is judged by our own middleware,
  // which knows pages that send no origin along.
  security: { checkOrigin: false, allowedDomains: [{}] },
  // For the hashes of the scripts it writes into pages; the policy around them is ours (see middleware).
  experimental: { csp: true },
  devToolbar: { enabled: false },
  telemetry: false,
  vite: {
    plugins: [tailwindcss()],
    worker: { format: 'es' },
    ssr: { external: ['sequelize', 'sqlite3', 'umzug', 'pino', 'piscina', 'chardet', 'isbot'] },
  },
});
