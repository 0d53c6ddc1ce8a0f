import { createHash, randomBytes } from 'node:crypto';

/** Letters of a secret that nobody guesses: 192 bits. */
const OCTETS = 24;

/** A new secret, as it stands in an address or a cookie. */
export const newSecret = (): string => randomBytes(OCTETS).toString('base64url');

/** What is kept of a secret: with so many bits no salt is needed, and the same secret is found again. */
export const hashOf = (secret: string): string => createHash('sha256').update(secret).digest('hex');
