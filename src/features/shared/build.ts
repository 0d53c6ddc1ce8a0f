import 'server-only';

/** The build that this server runs, as server/main.mjs read it when it started. */
export const BUILD = process.env.DIRIGO_BUILD ?? 'development';
