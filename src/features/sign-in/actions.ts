'use server';

import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import { addMinutes } from 'date-fns';
import { cookies, headers } from 'next/headers';
import { z } from 'zod';
import { nameSchema } from '@/core/people';
import {
  Problem,
  addPasskey,
  coachByPassphrase,
  dropPasskey,
  endDevice,
  findPasskey,
  getCoach,
  knownDevice,
  listPasskeys,
  makeTicket,
  passkeyUsed,
  setPassphrase,
  signIn,
  signInByTicket,
  type Database,
} from '@/data';
import { coachAction, strangerAction } from '../shared/action';
import { endStreams } from '../instruments/live';
import { COOKIE, KNOWN_COOKIE } from '../shared/cookie';
import { log } from '../shared/log';
import { passphraseSchema } from '../shared/passphrase-schema';
import { askingAddress } from '../shared/principal';
import { originOf, phonesOrigin } from '../shared/origin';
import { newChallenge, takeChallenge } from './challenges';
import { askingBrowser } from './device-name';
import { pathSchema } from './path';
import { SignInDelay } from './sign-in-delay';

/** How long the code for a phone signs it in, min. */
const PHONE_MINUTES = 2;

const ANYONE = { least: 'assistant' } as const;

const keepCookies = async (secret: string) => {
  const jar = await cookies();
  jar.set(COOKIE.name, secret, COOKIE.options);
  jar.set(KNOWN_COOKIE.name, secret, KNOWN_COOKIE.options);
};

/** Kept across reloads of the module. */
const shared = globalThis as typeof globalThis & { dirigoSignInDelay?: SignInDelay };
const delay = (): SignInDelay => (shared.dirigoSignInDelay ??= new SignInDelay());

/** Logs how a sign-in went; who it was is not logged. */
const logSignIn = (way: string, ok: boolean) =>
  log[ok ? 'info' : 'warn']({ event: ok ? 'signed in' : 'sign-in refused', way });

/** Where this server is, for a passkey: it belongs to a name and answers no other. */
async function here() {
  const origin = originOf((await headers()).get('host'));
  return { origin, name: new URL(origin).hostname };
}

/**
 * Signs this browser in by the secret of a link or a code; answers with the page that it leads to. A secret cannot be guessed, so that
 * nobody's wrong tries hold up a valid one.
 */
export const signInByLink = strangerAction(z.string().max(80), async (database, secret) => {
  try {
    const signedIn = await signInByTicket(database, secret, await askingBrowser(), new Date());
    await keepCookies(signedIn.secret);
    logSignIn('link', true);
    return signedIn.path;
  } catch (error) {
    logSignIn('link', false);
    throw error;
  }
});

const telling = z.object({
  name: z.string().trim().min(1, 'Enter your name.').max(80),
  passphrase: z.string().min(1, 'Enter your passphrase.').max(200),
});

/** What wrong tries are counted by: a browser that was signed in once by itself; any other by its address and by the account. */
async function delayKeys(database: Database, name: string): Promise<string[]> {
  const account = name.toLowerCase();
  const secret = (await cookies()).get(KNOWN_COOKIE.name)?.value;
  const known = secret ? await knownDevice(database, secret) : null;
  if (known?.coachName.toLowerCase() === account) return [`device ${known.id}`];
  return [`address ${await askingAddress()}`, `account ${account}`];
}

/** Signs this browser in by name and passphrase. Which of the two was wrong is not told, and wrong tries are slowed down. */
export const signInByPassphrase = strangerAction(
  telling,
  async (database, { name, passphrase }) => {
    const keys = await delayKeys(database, name);
    const wait = delay().attempt(keys);
    if (wait > 0) {
      logSignIn('passphrase', false);
      throw new Problem(
        'refused',
        `Too many wrong tries. Wait ${wait} ${wait === 1 ? 'second' : 'seconds'}, use a passkey, or sign in with a link from the machine that Dirigo runs on.`,
      );
    }
    const coachId = await coachByPassphrase(database, name, passphrase);
    logSignIn('passphrase', coachId !== null);
    if (!coachId) throw new Problem('refused', 'This name and passphrase do not match.');
    delay().succeeded(keys);
    await keepCookies(
      await signIn(database, coachId, 'passphrase', await askingBrowser(), new Date()),
    );
    return null;
  },
);

/** What a passkey of this server is asked to sign in. */
export const askPasskey = strangerAction(z.null(), async () => {
  const { name } = await here();
  return generateAuthenticationOptions({
    rpID: name,
    userVerification: 'required',
    challenge: newChallenge(),
  });
});

/** As the browser's own interface gives it; what stands in it is verified by its signature. */
const answering = z.looseObject({ id: z.string().max(1500) });

/** Signs this browser in by what a passkey answered. */
export const signInByPasskey = strangerAction(answering, async (database, response) => {
  const refused = () => {
    logSignIn('passkey', false);
    return new Problem('refused', 'This passkey is not known here.');
  };
  const key = await findPasskey(database, response.id);
  if (!key) throw refused();
  const { origin, name } = await here();
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response: response as unknown as AuthenticationResponseJSON,
    expectedChallenge: (challenge) => takeChallenge(challenge),
    expectedOrigin: origin,
    expectedRPID: name,
    credential: { ...key, transports: key.transports as never },
    requireUserVerification: true,
  }).catch(() => {
    throw refused();
  });
  if (!verified) throw refused();
  const at = new Date();
  await passkeyUsed(database, key.id, authenticationInfo.newCounter, at);
  await keepCookies(await signIn(database, key.coachId, 'passkey', await askingBrowser(), at));
  logSignIn('passkey', true);
  return null;
});

/** What this device is asked to make a passkey. */
export const askNewPasskey = coachAction(
  z.null(),
  async (database, principal) => {
    const { name } = await here();
    const coach = await getCoach(database, principal);
    const options = await generateRegistrationOptions({
      challenge: newChallenge(),
      rpName: 'Dirigo',
      rpID: name,
      userID: new TextEncoder().encode(principal.coachId),
      userName: coach.name || 'coach',
      excludeCredentials: (await listPasskeys(database, principal)).map(({ id }) => ({ id })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    return options;
  },
  { ...ANYONE, reads: true },
);

/** Keeps a passkey that this device has made. */
export const keepPasskey = coachAction(
  answering,
  async (database, principal, response) => {
    const refused = new Problem('invalid', 'This passkey could not be saved. Try again.');
    const { origin, name } = await here();
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response: response as unknown as RegistrationResponseJSON,
      expectedChallenge: (challenge) => takeChallenge(challenge),
      expectedOrigin: origin,
      expectedRPID: name,
      requireUserVerification: true,
    }).catch(() => {
      throw refused;
    });
    if (!verified) throw refused;
    const { credential } = registrationInfo;
    const kept = { ...credential, transports: credential.transports ?? [] };
    await addPasskey(database, principal, kept, await askingBrowser(), new Date());
    return null;
  },
  ANYONE,
);

/** Removes a passkey. */
export const removePasskey = coachAction(
  z.string().max(1500),
  async (database, principal, id) => {
    await dropPasskey(database, principal, id);
    return null;
  },
  ANYONE,
);

/** Sets the asking coach's passphrase. */
export const keepPassphrase = coachAction(
  passphraseSchema,
  async (database, principal, { passphrase }) => {
    const { name } = await getCoach(database, principal);
    if (!nameSchema().safeParse(name).success) {
      throw new Problem('invalid', 'Enter your name in Settings first. You sign in with it.');
    }
    await setPassphrase(database, principal, passphrase);
    return null;
  },
  ANYONE,
);

/** Takes the asking coach's passphrase away. */
export const dropPassphrase = coachAction(
  z.null(),
  async (database, principal) => {
    await setPassphrase(database, principal, null);
    return null;
  },
  ANYONE,
);

/** Signs a device of the asking coach out; this one, when none is named. */
export const signOut = coachAction(
  z.uuid().nullable(),
  async (database, principal, id) => {
    const which = id ?? principal.deviceId;
    if (which) await endDevice(database, principal, which, new Date());
    endStreams('signed out');
    log.info({ event: 'signed out' });
    if (which === principal.deviceId) (await cookies()).delete(COOKIE.name);
    return null;
  },
  ANYONE,
);

/** A code that opens a page on a phone, signed in as the one who asks: for two minutes, once. */
export const openOnPhone = coachAction(
  pathSchema,
  async (database, principal, path) => {
    const origin = phonesOrigin();
    if (!origin) return null;
    const until = addMinutes(new Date(), PHONE_MINUTES);
    const secret = await makeTicket(database, principal.coachId, { way: 'phone', path, until });
    return { address: `${origin}/sign-in/${secret}`, until };
  },
  { ...ANYONE, reads: true },
);
