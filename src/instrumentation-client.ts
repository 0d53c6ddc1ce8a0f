import { config } from 'zod/v4/core';

// Zod tries whether it may compile its checks; the content policy forbids that and would report it on every page.
config({ jitless: true });
