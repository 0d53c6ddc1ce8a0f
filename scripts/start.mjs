import { build, install } from './prepare.mjs';

install();
build();
const { serve } = await import('./serve.mjs');
await serve({ database: process.env.DIRIGO_DB ?? 'data/dirigo.db', demo: false });
