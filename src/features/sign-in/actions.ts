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
  listPasskeys,
  makeTicket,
  passkeyUsed,
  setPassphrase,
  signIn,
  signInByTicket,
} from '@/data';
import { coachAction, strangerAction } from '../shared/action';
import { COOKIE } from '../shared/cookie';
import { countTry, forgetTries, slowDown } from '../shared/limits';
import { askingAddress } from '../shared/principal';
import { originOf, phonesOrigin } from '../shared/origin';
import { keepChallenge, takeChallenge } from './challenges';
import { askingBrowser } from './device-name';
import { pathSchema } from './path';

/** How long the code for a phone signs it in, min. */
const PHONE_MINUTES = 2;

const ANYONE = { least: 'assistant' } as const;

const keepCookie = async (secret: string) => {
  (await cookies()).set(COOKIE.name, secret, COOKIE.options);
};

/** Where this server is, for a passkey: it belongs to a name and answers no other. */
async function here() {
  const origin = originOf((await headers()).get('host'));
  return { origin, name: new URL(origin).hostname };
}

/** Signs this browser in by the secret of a link or a code; answers with the page that it leads to. */
export const signInByLink = strangerAction(z.string().max(80), async (database, secret) => {
  const address = await askingAddress();
  await slowDown([['address', address]]);
  try {
    const signedIn = await signInByTicket(database, secret, await askingBrowser(), new Date());
    await keepCookie(signedIn.secret);
    return signedIn.path;
  } catch (error) {
    await countTry('address', address);
    throw error;
  }
});

const telling = z.object({
  name: z.string().trim().min(1, 'Type your name.').max(80),
  passphrase: z.string().min(1, 'Type your passphrase.').max(200),
});

/** Signs this browser in by name and passphrase. Which of the two was wrong is not told, and wrong tries are slowed down. */
export const signInByPassphrase = strangerAction(
  telling,
  async (database, { name, passphrase }) => {
    const [address, account] = [await askingAddress(), name.toLowerCase()];
    await slowDown([
      ['address', address],
      ['account', account],
    ]);
    // Counted before it is compared: tries that are made at once count all.
    await countTry('address', address);
    await countTry('account', account);
    const coachId = await coachByPassphrase(database, name, passphrase);
    if (!coachId) throw new Problem('refused', 'This name and this passphrase do not go together.');
    await forgetTries('account', account);
    await keepCookie(
      await signIn(database, coachId, 'passphrase', await askingBrowser(), new Date()),
    );
    return null;
  },
);

/** What a passkey of this server is asked to sign in. */
export const askPasskey = strangerAction(z.null(), async () => {
  await slowDown([['address', await askingAddress()]]);
  const { name } = await here();
  const options = await generateAuthenticationOptions({
    rpID: name,
    userVerification: 'required',
  });
  return { id: keepChallenge(options.challenge), options };
});

/** As the browser's own interface gives it; what stands in it is verified by its signature. */
const answering = z.object({
  id: z.uuid(),
  response: z.looseObject({ id: z.string().max(1500) }),
});

/** Signs this browser in by what a passkey answered. */
export const signInByPasskey = strangerAction(answering, async (database, { id, response }) => {
  const address = await askingAddress();
  await slowDown([['address', address]]);
  await countTry('address', address);
  const refused = new Problem('refused', 'This passkey signs nobody in here.');
  const challenge = takeChallenge(id);
  const key = await findPasskey(database, response.id);
  if (!challenge || !key) throw refused;
  const { origin, name } = await here();
  const { verified, authenticationInfo } = await verifyAuthenticationResponse({
    response: response as unknown as AuthenticationResponseJSON,
    expectedChallenge: challenge,
    expectedOrigin: origin,
    expectedRPID: name,
    credential: { ...key, transports: key.transports as never },
    requireUserVerification: true,
  }).catch(() => {
    throw refused;
  });
  if (!verified) throw refused;
  const at = new Date();
  await passkeyUsed(database, key.id, authenticationInfo.newCounter, at);
  await keepCookie(await signIn(database, key.coachId, 'passkey', await askingBrowser(), at));
  return null;
});

/** What this device is asked to make a passkey. */
export const askNewPasskey = coachAction(
  z.null(),
  async (database, principal) => {
    const { name } = await here();
    const coach = await getCoach(database, principal);
    const options = await generateRegistrationOptions({
      rpName: 'Dirigo',
      rpID: name,
      userID: new TextEncoder().encode(principal.coachId),
      userName: coach.name || 'coach',
      excludeCredentials: (await listPasskeys(database, principal)).map(({ id }) => ({ id })),
      authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
    });
    return { id: keepChallenge(options.challenge), options };
  },
  { ...ANYONE, reads: true },
);

/** Keeps a passkey that this device has made. */
export const keepPasskey = coachAction(
  answering,
  async (database, principal, { id, response }) => {
    const refused = new Problem('invalid', 'This passkey could not be kept. Try again.');
    const challenge = takeChallenge(id);
    if (!challenge) throw refused;
    const { origin, name } = await here();
    const { verified, registrationInfo } = await verifyRegistrationResponse({
      response: response as unknown as RegistrationResponseJSON,
      expectedChallenge: challenge,
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

const choosing = z
  .object({
    passphrase: z
      .string()
      .min(
        12,
        'A passphrase has at least 12 letters: four words that do not go together are easy to keep.',
      )
      .max(200, 'A passphrase has at most 200 letters.'),
    again: z.string(),
  })
  .refine(({ passphrase, again }) => passphrase === again, {
    path: ['again'],
    message: 'The two are not the same.',
  });

/** Sets the asking coach's passphrase. */
export const keepPassphrase = coachAction(
  choosing,
  async (database, principal, { passphrase }) => {
    const { name } = await getCoach(database, principal);
    if (!nameSchema().safeParse(name).success) {
      throw new Problem('invalid', 'Say your name in Settings first: you sign in with it.');
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
